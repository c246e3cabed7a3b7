import type { Message, NoValues } from '../kit';

/** What is wrong with the hours of a shop, and with a day that cannot be planned. */
export interface DayMessages {
  readonly 'day.ends-first': NoValues;
  readonly 'day.date': NoValues;
  readonly 'day.no-workers': NoValues;
  readonly 'day.no-hours': { readonly person: string };
  readonly 'day.closed': { readonly step: Message; readonly job: string };
  readonly 'day.hands': {
    readonly step: Message;
    readonly job: string;
    readonly hands: number;
    readonly people: number;
  };
  readonly 'day.too-long': {
    readonly step: Message;
    readonly job: string;
    readonly minutes: number;
    readonly longestMin: number;
  };
  /** `extraMin`: how much longer the working days would have to be; null: longer days would not help. */
  readonly 'day.window': {
    readonly step: Message;
    readonly after: Message | null;
    readonly job: string;
    readonly maxMin: number;
    readonly extraMin: number | null;
  };
  readonly 'day.pinned': { readonly step: Message; readonly job: string };
  /** Two colours in the gun with no cleaning between them: neither can wait. */
  readonly 'day.gun': {
    readonly job: string;
    readonly finish: string;
    readonly other: string;
    readonly otherFinish: string;
  };
  readonly 'day.none': NoValues;
}
