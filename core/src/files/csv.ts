import { tableCsv } from '../views';

/** A station table in words, ready to be shown, printed or written: the same words everywhere. */
export interface StationWords {
  readonly title: string;
  readonly note: string;
  readonly columns: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

/** A station table as comma-separated values. */
export const stationCsv = ({ columns, rows }: Pick<StationWords, 'columns' | 'rows'>): string =>
  tableCsv([columns, ...rows]);
