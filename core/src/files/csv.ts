/** A station table in words, ready to be shown, printed or written: the same words everywhere. */
export interface StationWords {
  readonly title: string;
  readonly note: string;
  readonly columns: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

/** A station table as comma-separated values. */
export const stationCsv = ({ columns, rows }: Pick<StationWords, 'columns' | 'rows'>): string =>
  `${[columns, ...rows].map((row) => row.map(cell).join(',')).join('\r\n')}\r\n`;

/** A cell that a spreadsheet would take for a formula is told to be text. */
const cell = (text: string): string => {
  const safe = /^[=@\t\r]/.test(text) ? `'${text}` : text;
  return /[",\r\n]/.test(safe) ? `"${safe.replaceAll('"', '""')}"` : safe;
};
