import { type Climate, tapingAir } from '../air';
import type { Finish, PaintSystemKey } from '../finish';
import type { Part, Present } from '../job';
import { messageWithoutValues, type PartId, RULE_OF_THUMB } from '../kit';
import { type CompatibilityMessage, compatibilityOf, typicalAgeMarks } from '../over';
import { type Grit, gritFor } from './abrading';
import { type Cleaner, cleanerFor } from './cleaner';
import { PREPARE_RULES } from './rules-of-thumb';

/** The data of a part and its areas needed for preparation. */
export interface PreparedPart extends Pick<Part, 'id' | 'substrate'> {
  readonly areas: readonly PreparedArea[];
}

/** By index: existing finish, first finish to go on (null for none), and the size of all equal areas together. */
interface PreparedArea {
  readonly present: Present;
  readonly first: Finish | null;
  readonly sizeM2: number;
}

/** Places that are abraded alike. */
interface Abrading {
  readonly grit: Grit;
  readonly reason: CompatibilityMessage;
  readonly places: readonly { readonly part: PartId; readonly area: number }[];
  readonly minutes: number;
}

/** What is done once, before any tape. */
export interface Preparation {
  readonly washes: readonly {
    readonly cleaner: Cleaner;
    readonly parts: readonly string[];
    readonly minutes: number;
  }[];
  readonly abrading: readonly Abrading[];
  /** Time part and tape are kept warm before taping, minutes; 0 if it is warm enough. */
  readonly warmMin: number;
  /** All of it. */
  readonly minutes: number;
}

/**
 * What a job calls for before any tape: what is washed and with what, what is abraded and how fine, and whether it is too cold.
 * Only parts that get paint are prepared; on them, what gets none is washed too, for tape goes there.
 */
export function preparationTasks(parts: readonly PreparedPart[], climate: Climate): Preparation {
  const painted = parts.filter(({ areas }) => areas.some(({ first }) => first !== null));
  const washes = washesOf(painted, climate);
  const abrading = abradingOf(painted, climate);
  const { airC, surfaceC } = tapingAir(climate);
  const warmMin = painted.length > 0 && Math.min(airC, surfaceC) < RULE_OF_THUMB.coldC ? PREPARE_RULES.warmFor : 0;
  const minutes = [...washes, ...abrading].reduce((sum, task) => sum + task.minutes, warmMin);
  return { washes, abrading, warmMin, minutes };
}

function washesOf(parts: readonly PreparedPart[], climate: Climate): Preparation['washes'] {
  const groups = new Map<Cleaner, { parts: string[]; sizeM2: number }>();
  for (const { id, substrate, areas } of parts)
    for (const { present, sizeM2 } of areas) {
      const cleaner = cleanerFor({ substrate, present }, climate);
      const group = groups.get(cleaner) ?? { parts: [], sizeM2: 0 };
      groups.set(cleaner, {
        parts: group.parts.includes(id) ? group.parts : [...group.parts, id],
        sizeM2: group.sizeM2 + sizeM2,
      });
    }
  return [...groups].map(([cleaner, group]) => ({
    cleaner,
    parts: group.parts,
    minutes: PREPARE_RULES.washFixed + PREPARE_RULES.washPerSquareMetre * group.sizeM2,
  }));
}

/** The existing finish of a part, or its bare substrate, has to be abraded before the first coat. */
function abradingOf(parts: readonly PreparedPart[], climate: Climate): Abrading[] {
  const groups = new Map<
    string,
    Omit<Abrading, 'minutes'> & { sizeM2: number; places: { part: PartId; area: number }[] }
  >();
  for (const part of parts)
    part.areas.forEach(({ first, present, sizeM2 }, area) => {
      const asked = first && keyFor({ substrate: part.substrate, present }, first, climate);
      if (!asked) return;
      const key = `${asked.grit} ${asked.reason.code}`;
      const group = groups.get(key) ?? { ...asked, sizeM2: 0, places: [] };
      group.places.push({ part: part.id, area });
      group.sizeM2 += sizeM2;
      groups.set(key, group);
    });
  return [...groups.values()].map(({ grit, reason, places, sizeM2 }, index) => ({
    grit,
    reason,
    places,
    // Setting up for it is counted once.
    minutes: sizeM2 * RULE_OF_THUMB.abradePerSquareMetre + (index === 0 ? RULE_OF_THUMB.abradeFixed : 0),
  }));
}

function keyFor(
  { substrate, present }: Pick<Part, 'substrate' | 'present'>,
  first: Finish,
  climate: Climate,
): { grit: Grit; reason: CompatibilityMessage } | null {
  const below: PaintSystemKey | null = present.system === 'bare' ? null : present.system;
  const grit = gritFor(first, below, substrate);
  if (grit === null) return null;
  if (below === null) return { grit, reason: messageWithoutValues('over.bare') };
  const { answer, reason } = compatibilityOf(
    { marks: typicalAgeMarks(below, climate), ageMin: present.ageH * 60, known: false },
    first.system,
  );
  return answer === 'abrade' ? { grit, reason } : null;
}
