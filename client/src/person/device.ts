const KEY = 'lintrel.device';

/** What this device is called in the log until somebody gives it a name: a short word of its own, the same after a reload. */
export function deviceName(): string {
  try {
    const known = localStorage.getItem(KEY);
    if (known) return known;
    const made = `device ${Math.floor(Math.random() * 36 ** 4)
      .toString(36)
      .padStart(4, '0')}`;
    localStorage.setItem(KEY, made);
    return made;
  } catch {
    return 'device';
  }
}
