const KEY = 'lintrel.device';

/** The name this page has read: it keeps it as long as it is open. */
let name: string | null = null;

/** What this device is called in the log until somebody gives it a name: a short word of its own, the same after a reload. */
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
