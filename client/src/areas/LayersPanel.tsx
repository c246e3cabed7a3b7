import { type Finish, messageWithoutValues, PAINT_SYSTEMS, withLayer } from '@lintrel/core';
import { phrase, phrases } from '@lintrel/words';
import { useState } from 'react';
import { Pick } from '@/forms/Pick';
import { useJob } from '@/job/JobContext';
import { Action } from '@/ui/Action';
import { Panel } from '@/ui/Screen';
import { Heading, Small } from '@/ui/Typography';

const NONE = { value: '', label: 'Nothing' };

/** What goes under all colours first and over them last. */
export function LayersPanel() {
  const { design, shelf, change } = useJob();
  const [open, setOpen] = useState(false);
  const { primer, clear } = design.scheme;
  const set = (layer: 'primer' | 'clear', id: string) =>
    void change(
      (now) => withLayer(now, layer, id === '' ? null : id),
      messageWithoutValues(layer === 'primer' ? 'edit.primer' : 'edit.clear'),
    );
  const options = (fits: (finish: Finish) => boolean) => [
    NONE,
    ...shelf.finishes.filter(fits).map(({ id, name, colour }) => ({ value: id, label: name, colour })),
  ];
  const summary = phrases([...(primer ? ['primer under'] : []), ...(clear ? ['clear over'] : [])]);
  if (!open)
    return (
      <Action
        label={summary ? phrase`Under and over: ${summary}` : 'Primer under, clear over'}
        onPress={() => setOpen(true)}
        testID="layers"
      />
    );
  return (
    <Panel>
      <Heading>Under and over all colours</Heading>
      <Pick
        label="Primer under everything painted"
        value={primer ?? ''}
        options={options(({ system }) => PRIMERS.includes(system))}
        onChange={(id) => set('primer', id)}
      />
      <Pick
        label="Clear over everything painted"
        value={clear ?? ''}
        options={options(({ effect }) => effect === 'clear')}
        onChange={(id) => set('clear', id)}
      />
      <Small>An area that stays without clear is told so in the list of areas.</Small>
    </Panel>
  );
}

const PRIMERS = (Object.keys(PAINT_SYSTEMS) as Finish['system'][]).filter((key) => key.endsWith('primer'));
