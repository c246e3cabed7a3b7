const KEY = 'lintrel.device';

/** The name read by this page, kept while it is open. */
let name: string | null = null;

/** Default name of this device in the log, the same after a reload. */
export function deviceName(): string {
  name ??= readName();
  return name;
}

function readName(): string {
  const generated = `device ${Math.floor(Math.random() * 36 ** 4)
    .toString(36)
    .padStart(4, '0')}`;
  try {
    const known = localStorage.getItem(KEY);
    if (!known) localStorage.setItem(KEY, generated);
    return known ?? generated;
  } catch {
    // It forbids keeping: the name lasts as long as the page.
    return generated;
  }
}
