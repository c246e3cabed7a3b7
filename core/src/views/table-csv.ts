/** A table as comma-separated values, its first row the heads of its columns. */
export const tableCsv = (rows: readonly (readonly string[])[]): string =>
  `${rows.map((row) => row.map(cell).join(',')).join('\r\n')}\r\n`;

/** A cell that a spreadsheet could take for a formula is marked as text. */
const cell = (text: string): string => {
  const safe = /^[=@\t\r]/.test(text) ? `'${text}` : text;
  return /[",\r\n]/.test(safe) ? `"${safe.replaceAll('"', '""')}"` : safe;
};
