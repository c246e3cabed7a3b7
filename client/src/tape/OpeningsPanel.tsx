import { type ClosingWay, type OpeningGroup, openingGroups, setClosing } from '@lintrel/core';
import { CLOSING_WAY_NAMES, phrase, phrases } from '@lintrel/words';
import { useMemo } from 'react';
import { Pick } from '@/forms/Pick';
import { useJob } from '@/job/JobContext';
import { useWords } from '@/person/PersonContext';
import { Panel } from '@/ui/Screen';
import { Heading, Small } from '@/ui/Typography';

/** What closes each opening of the job, and what else could; nothing where it has none. */
export function OpeningsPanel() {
  const { design } = useJob();
  const groups = useMemo(() => openingGroups(design), [design]);
  if (groups.length === 0) return null;
  return (
    <Panel>
      <Heading>Openings</Heading>
      <Small>What each is closed with. The minutes are for closing and opening it again (estimate).</Small>
      {groups.map((group) => (
        <ClosingChoice key={group.openings.map(({ part, opening }) => `${part}/${opening}`).join(' ')} group={group} />
      ))}
    </Panel>
  );
}

/** What one opening, or several alike, are closed with. */
function ClosingChoice({ group }: { group: OpeningGroup }) {
  const { design, change } = useJob();
  const { minutes } = useWords();
  const { names, parts, count, ways, usual, chosen, openings } = group;
  const name = names.join(', ');
  const where = design.parts.length > 1 ? phrase`${name}: ${phrases(parts, ', ')}` : name;
  const optionOf = (way: ClosingWay) => {
    const is = ways.find((other) => other.way === way);
    return phrase`${CLOSING_WAY_NAMES[way]}, ${minutes(is?.minutes ?? 0)}`;
  };
  return (
    <Pick<ClosingWay | 'usual'>
      label={count > 1 ? phrase`${where} (${count})` : where}
      value={chosen ?? 'usual'}
      options={[
        { value: 'usual', label: phrase`As usual: ${optionOf(usual)}` },
        ...ways.filter(({ way }) => way !== usual).map(({ way }) => ({ value: way, label: optionOf(way) })),
      ]}
      onChange={(next) =>
        void change(
          (now) => openings.reduce((of, place) => setClosing(of, place, next === 'usual' ? null : next), now),
          { code: 'edit.closing', values: { opening: name } },
        )
      }
    />
  );
}
