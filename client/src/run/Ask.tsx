import { useState } from 'react';
import { TextInput, View } from 'react-native';
import { BoothButton } from '@/job/BoothButton';
import { useWords } from '@/person/PersonContext';
import { booth } from '@/theme/theme';
import { Text } from '@/ui/Text';
import { look } from './look';

/** How paint feels to a finger, from wet to dry. */
export const FEELS = ['Wet', 'Tacky', 'Marks', 'Dry'] as const;

/** What is written down: a word that is pressed, with a note where there is one; or a note alone. */
export function Ask({ what, feels, onSay, onCancel }: { what: string; feels: readonly string[]; onSay: (note: string) => void; onCancel: () => void }) {
  const { text } = useWords();
  const [note, setNote] = useState('');
  const written = note.trim();
  return (
    <View style={look.buttons}>
      <Text style={look.label}>{what}</Text>
      {feels.length > 0 ? (
        <View style={look.pair}>
          {feels.map((feel) => (
            <View key={feel} style={look.half}>
              <BoothButton label={feel} onPress={() => onSay(written ? `${text(feel)}. ${written}` : text(feel))} testID={`feels-${feel.toLowerCase()}`} />
            </View>
          ))}
        </View>
      ) : null}
      <TextInput
        style={look.input}
        value={note}
        onChangeText={setNote}
        multiline
        maxLength={MOST_TYPED}
        accessibilityLabel={text(feels.length > 0 ? 'Note' : what)}
        placeholder={feels.length > 0 ? text('Note, if there is one') : undefined}
        placeholderTextColor={booth.quiet}
        testID="note"
      />
      {feels.length > 0 ? null : <BoothButton rank="main" label="Write it down" disabled={written === ''} onPress={() => onSay(written)} testID="say" />}
      <BoothButton label="Never mind" onPress={onCancel} />
    </View>
  );
}

/** Letters a note from the booth may have. */
const MOST_TYPED = 4000;
