import { ask, exampleInput, QUESTIONS, SHIPPED_SHELF } from '@lintrel/core';
import { router, type Href } from 'expo-router';
import { useShelf } from '@/api/queries';
import { Row, Rows } from '@/ui/Row';
import { Screen, Sheet } from '@/ui/Screen';
import { Heading, Small } from '@/ui/Words';

/** Bench: answers to single questions, without a job; each is already answered for an example. */
export default function BenchScreen() {
  const shelf = useShelf().data ?? SHIPPED_SHELF;
  return (
    <Screen title="Bench" about="One question at a time, no job needed">
      <Sheet>
        <Rows>
          {QUESTIONS.map((question) => {
            const answer = ask(question.name, exampleInput(question), shelf);
            return (
              <Row key={question.name} label={question.title} onPress={() => router.push(`/bench/${question.name}` as Href)} testID="question">
                <Heading>{question.title}</Heading>
                <Small>{question.about}</Small>
                {answer.ok ? <Small tone="calm">{`For example: ${question.words(answer.value).headline.toLowerCase()}`}</Small> : null}
              </Row>
            );
          })}
        </Rows>
      </Sheet>
    </Screen>
  );
}
