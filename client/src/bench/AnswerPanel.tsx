import type { Answer, Checked, Question } from '@lintrel/core';
import { StyleSheet, View } from 'react-native';
import { useWords } from '@/person/PersonContext';
import { colour, size, space } from '@/theme/theme';
import { Icon } from '@/ui/Icon';
import { Panel } from '@/ui/Screen';
import { Body, Figure, Title } from '@/ui/Typography';
import { AnswerPicture } from './AnswerPicture';
import { AnswerSketch } from './AnswerSketch';

const TONES = {
  good: { icon: 'check-circle-outline', colour: colour.calm },
  caution: { icon: 'triangle-outline', colour: colour.caution },
  bad: { icon: 'octagon-outline', colour: colour.accent },
} as const;

/** The answer in words, large, with its figures and a picture. */
export function AnswerPanel({ question, answer }: { question: Question; answer: Checked<Answer> }) {
  const words = useWords().question(question.name);
  if (!answer.ok)
    return (
      <Panel>
        <Body>The answer comes back when every field can be read.</Body>
      </Panel>
    );
  const { headline, tone, rows } = words.answer(answer.value);
  return (
    <Panel>
      <View style={styles.head} role="status" testID="answer">
        <Icon name={TONES[tone].icon} size={size.title} color={TONES[tone].colour} />
        <Title style={styles.headline}>{headline}</Title>
      </View>
      {question.sketch ? (
        <AnswerSketch sketch={question.sketch(answer.value)} label={words.sketch(answer.value)} />
      ) : (
        <AnswerPicture name={question.name} answer={answer.value} />
      )}
      <View style={styles.figures}>
        {rows.map(({ label, value }) => (
          <Figure key={label} label={label} value={value} />
        ))}
      </View>
    </Panel>
  );
}

const styles = StyleSheet.create({
  head: { flexDirection: 'row', alignItems: 'center', gap: space.small },
  headline: { flex: 1 },
  figures: { flexDirection: 'row', flexWrap: 'wrap', gap: space.base },
});
