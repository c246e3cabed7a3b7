/** By then the faults are drawn, ms. */
const DRAWN_AFTER_MS = 60;

/** Brings the first fault of the form on screen into sight, and its field to the hand: a form that was refused does not look dead. */
export function showFirstFault(): void {
  if (typeof document === 'undefined') return;
  setTimeout(() => {
    const field = document.querySelector<HTMLElement>('[aria-invalid="true"]');
    const fault = field ?? document.querySelector<HTMLElement>('[role="alert"]');
    fault?.scrollIntoView({ block: 'center' });
    field?.focus({ preventScroll: true });
  }, DRAWN_AFTER_MS);
}
