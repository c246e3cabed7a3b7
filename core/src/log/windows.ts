import type { RunningWindow } from './progress';

/** How a window stands at an instant. */
export type WindowState = 'before' | 'open' | 'passed';

/** State of a window at `now` (ms since 1970). */
export function windowState({ opens, closes }: Pick<RunningWindow, 'opens' | 'closes'>, now: number): WindowState {
  if (closes !== null && now > closes) return 'passed';
  return opens === null || now < opens ? 'before' : 'open';
}

/** A window as it stands: one that has closed and opens a second time is that second one. */
export function currentWindow<W extends Pick<RunningWindow, 'opens' | 'closes' | 'again'>>(window: W, now: number): W {
  const { closes, again } = window;
  return closes !== null && again !== undefined && again !== null && now > closes
    ? { ...window, opens: again, closes: null }
    : window;
}

/**
 * Of the windows of one step the one that decides at an instant: one that has passed, else the last to open, else the first to close.
 * @returns null where there is none
 */
export function decidingWindow<W extends Pick<RunningWindow, 'opens' | 'closes'>>(
  windows: readonly W[],
  now: number,
): W | null {
  const inState = (state: WindowState) => windows.filter((window) => windowState(window, now) === state);
  const closing = (window: W) => window.closes ?? Infinity;
  const opening = (window: W) => window.opens ?? Infinity;
  const first = (list: readonly W[], by: (window: W) => number) => [...list].sort((a, b) => by(a) - by(b))[0];
  return (
    first(inState('passed'), closing) ??
    first(inState('before'), (window) => -opening(window)) ??
    first(inState('open'), closing) ??
    null
  );
}
