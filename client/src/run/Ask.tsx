import { useState } from 'react';
import { TextInput, View } from 'react-native';
import { useWords } from '@/person/PersonContext';
import { BoothButton } from '@/run/BoothButton';
import { Text } from '@/ui/Text';
import { useLook } from './look';
import { useShade } from './shade';

/** One of a few answers that is pressed. */
interface Answer<T extends string> {
  readonly value: T;
  readonly label: string;
}

interface AskProps<T extends string> {
  readonly what: string;
  readonly answers: readonly Answer<T>[];
  readonly onSay: (note: string, answer: T | null) => void;
  readonly onCancel: () => void;
  /** A finger that tapped twice does not mean an answer yet. */
  readonly resting?: boolean;
}

/** What is written down: an answer that is pressed, with a note where there is one; or a note alone. */
export function Ask<T extends string>({ what, answers, onSay, onCancel, resting = false }: AskProps<T>) {
  const look = useLook();
  const { shade } = useShade();
  const { text } = useWords();
  const [note, setNote] = useState('');
  const written = note.trim();
  return (
    <View style={look.buttons}>
      <Text style={look.label}>{what}</Text>
      {answers.length > 0 ? (
        <View style={look.pair}>
          {answers.map(({ value, label }) => (
            <View key={value} style={look.half}>
              <BoothButton
                label={label}
                disabled={resting}
                onPress={() => onSay(written, value)}
                testID={`feels-${value}`}
              />
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
        accessibilityLabel={text(answers.length > 0 ? 'Note' : what)}
        placeholder={answers.length > 0 ? text('Note, if there is one') : undefined}
        placeholderTextColor={shade.quiet}
        testID="note"
      />
      {answers.length > 0 ? null : (
        <BoothButton
          rank="main"
          label="Write it down"
          disabled={written === ''}
          onPress={() => onSay(written, null)}
          testID="say"
        />
      )}
      <BoothButton label="Never mind" onPress={onCancel} />
    </View>
  );
}

/** Letters a note from the booth may have. */
const MOST_TYPED = 4000;
