import { type AimOrder, showMinutes } from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useJob } from '@/job/JobContext';
import { useWords } from '@/person/PersonContext';
import { colour, space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Row, Rows, Swatch } from '@/ui/Row';
import { Body, Small } from '@/ui/Typography';
import { useView } from '@/worker/useSession';
import { AIM_WORDS } from './aimWords';

/** How the order changes with what is wanted most: all four side by side, each to be taken. */
export function Aims({ onWish }: { onWish: (wish: AimOrder['wish']) => void }) {
  const { metres } = useWords();
  const { design, shelf } = useJob();
  const [open, setOpen] = useState(false);
  const { output } = useView('wishes', open ? {} : null);
  if (!open)
    return (
      <Action rank="quiet" label="See what each of these would choose" onPress={() => setOpen(true)} testID="wishes" />
    );
  if (!output) return <Small>Working out all four …</Small>;
  const chosen = design.choices.wish ?? 'work';
  return (
    <View testID="by-wish">
      <Rows>
        {output.map((aimOrder) => (
          <Row
            key={aimOrder.wish}
            label={phrase`${AIM_WORDS[aimOrder.wish]}, take it`}
            chosen={aimOrder.wish === chosen}
            onPress={() => onWish(aimOrder.wish)}
          >
            <Body>{AIM_WORDS[aimOrder.wish]}</Body>
            <View style={styles.row}>
              {aimOrder.order.map((id, index) => (
                <Swatch
                  key={`${index} ${id}`}
                  colour={shelf.finishes.find((finish) => finish.id === id)?.colour ?? colour.sheet}
                />
              ))}
            </View>
            <Small>{phrase`${showMinutes(aimOrder.workMin)} work, done after ${showMinutes(aimOrder.endMin)}, ${metres(1000 * aimOrder.riskM)} of show edge, ${aimOrder.money.toFixed(0)} for material (estimates)`}</Small>
          </Row>
        ))}
      </Rows>
    </View>
  );
}

const styles = StyleSheet.create({ row: { flexDirection: 'row', gap: space.tight } });
