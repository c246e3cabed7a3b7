import { type Question, questionNamed, type Shelf, SHIPPED_SHELF } from '@lintrel/core';
import { router, useLocalSearchParams } from 'expo-router';
import { useShelf } from '@/api/jobQueries';
import { AnswerPanel } from '@/bench/AnswerPanel';
import { QuestionForm } from '@/bench/QuestionForm';
import { useQuestion } from '@/bench/useQuestion';
import { useWords } from '@/person/PersonContext';
import { Action } from '@/ui/Action';
import { Panel, Screen } from '@/ui/Screen';
import { Body } from '@/ui/Typography';

/** One question of the Bench. */
export function QuestionScreen() {
  const { question: name } = useLocalSearchParams<{ question: string }>();
  const shelf = useShelf().data ?? SHIPPED_SHELF;
  const question = questionNamed(name);
  if (!question) {
    return (
      <Screen title="Bench">
        <Panel>
          <Body>There is no such question.</Body>
          <Action label="All questions" onPress={() => router.replace('/bench')} />
        </Panel>
      </Screen>
    );
  }
  return <OneQuestion key={name} question={question} shelf={shelf} />;
}

function OneQuestion({ question, shelf }: { question: Question; shelf: Shelf }) {
  const asked = useQuestion(question, shelf);
  const { title, about } = useWords().question(question.name);
  return (
    <Screen title={title} about={about}>
      <AnswerPanel question={question} answer={asked.answer} />
      <Panel>
        <QuestionForm question={question} asked={asked} shelf={shelf} />
      </Panel>
      <Action rank="quiet" label="All questions" icon="arrow-left" onPress={() => router.push('/bench')} />
    </Screen>
  );
}
