/** Lets the person choose a file and returns its text; null when none was chosen. */
export function openTextFile(accept: string): Promise<string | null> {
  return new Promise((resolve) => {
    const input = document.createElement('input');
    input.type = 'file';
    input.accept = accept;
    input.onchange = () => void (input.files?.[0]?.text() ?? Promise.resolve(null)).then(resolve);
    input.oncancel = () => resolve(null);
    input.click();
  });
}
