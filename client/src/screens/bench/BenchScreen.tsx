import { ask, exampleInput, QUESTIONS, SHIPPED_SHELF } from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { type Href, router } from 'expo-router';
import { useShelf } from '@/api/jobQueries';
import { useWords } from '@/person/PersonContext';
import { Row, Rows } from '@/ui/Row';
import { Panel, Screen } from '@/ui/Screen';
import { Heading, Small } from '@/ui/Typography';

/** Bench: answers to single questions, without a job; each is already answered for an example. */
export function BenchScreen() {
  const shelf = useShelf().data ?? SHIPPED_SHELF;
  const words = useWords();
  return (
    <Screen title="Bench" about="One question at a time, no job needed">
      <Panel>
        <Rows>
          {QUESTIONS.map((question) => {
            const { title, about, answer: told } = words.question(question.name);
            const answer = ask(question.name, exampleInput(question), shelf);
            return (
              <Row
                key={question.name}
                label={title}
                onPress={() => router.push(`/bench/${question.name}` as Href)}
                testID="question"
              >
                <Heading>{title}</Heading>
                <Small>{about}</Small>
                {answer.ok ? (
                  <Small tone="calm">{phrase`For example: ${begunSmall(told(answer.value).headline)}`}</Small>
                ) : null}
              </Row>
            );
          })}
        </Rows>
      </Panel>
    </Screen>
  );
}

/** An answer in the middle of a sentence; codes keep their letters. */
const begunSmall = (headline: string): string => `${headline.charAt(0).toLowerCase()}${headline.slice(1)}`;
