import { coatSteps, hexFromLab, hidingFromCard, numberOrNaN } from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Typed } from '@/forms/Field';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Swatch, Unfolded } from '@/ui/Row';
import { Small } from '@/ui/Typography';

/** A colour from a measured L*a*b*. */
export function LabInput({ onColour }: { onColour: (hex: string) => void }) {
  const [open, setOpen] = useState(false);
  const [typed, setTyped] = useState({ l: '', a: '', b: '' });
  const lab = { l: numberOrNaN(typed.l), a: numberOrNaN(typed.a), b: numberOrNaN(typed.b) };
  const sound = lab.l >= 0 && lab.l <= 100 && Math.abs(lab.a) <= 150 && Math.abs(lab.b) <= 150;
  const colour = sound ? hexFromLab(lab) : null;
  if (!open) return <Action rank="quiet" label="From a measured L a b" onPress={() => setOpen(true)} />;
  return (
    <Unfolded>
      <View style={styles.row}>
        {(['l', 'a', 'b'] as const).map((key) => (
          <Typed
            key={key}
            label={phrase`${key === 'l' ? 'L' : key}, D65`}
            value={typed[key]}
            onChange={(text) => setTyped({ ...typed, [key]: text })}
            testID={`lab-${key}`}
          />
        ))}
        {colour ? <Swatch colour={colour.hex} /> : null}
      </View>
      {colour && !colour.shown ? (
        <Small tone="caution">A screen cannot show this colour: the nearest it can is taken.</Small>
      ) : null}
      {typed.l !== '' && !sound ? <Small>L from 0 to 100, a and b from −150 to 150.</Small> : null}
      <Action
        label="Take this colour"
        disabled={!colour}
        onPress={() => {
          if (colour) onColour(colour.hex);
          setOpen(false);
        }}
        testID="take-lab"
      />
    </Unfolded>
  );
}

/** Computes the hiding film from the number of coats that hid a card. */
export function HidingFromCard({ coatUm, onHiding }: { coatUm: string; onHiding: (um: string) => void }) {
  const [coats, setCoats] = useState('');
  const um = hidingFromCard(numberOrNaN(coats), numberOrNaN(coatUm));
  return (
    <View style={styles.row}>
      <Typed label="So many coats hid my card" value={coats} onChange={setCoats} keys="numeric" testID="coats-hid" />
      <Action
        label="Take it as the hiding film"
        disabled={!(um > 0)}
        onPress={() => onHiding(String(Math.round(um * 10) / 10))}
      />
    </View>
  );
}

/** How a finish builds up over white and over black, coat by coat. */
export function Ladder({ colour, hidingUm, coatUm }: { colour: string; hidingUm: string; coatUm: string }) {
  const [hiding, coat] = [numberOrNaN(hidingUm), numberOrNaN(coatUm)];
  if (!/^#[0-9a-f]{6}$/i.test(colour) || !(hiding > 0) || !(coat > 0)) return null;
  return (
    <View style={styles.ladder} testID="ladder">
      {(['#ffffff', '#1c1f24'] as const).map((ground) => (
        <View key={ground} style={styles.rungs}>
          <Swatch colour={ground} />
          {coatSteps({ colour, hidingUm: hiding, coatUm: coat }, ground, 7).map((rung) => (
            <View key={rung.coats} style={styles.rung}>
              <Swatch colour={rung.colour} />
              <Small>{String(rung.coats)}</Small>
            </View>
          ))}
        </View>
      ))}
      <Small>Over white and over black, coat by coat (estimate)</Small>
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small, alignItems: 'center' },
  ladder: { gap: space.tight },
  rungs: { flexDirection: 'row', gap: space.tight, alignItems: 'flex-start' },
  rung: { alignItems: 'center' },
});
