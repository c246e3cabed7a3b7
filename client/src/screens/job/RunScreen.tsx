import { attendedSteps } from '@lintrel/core';
import { countPhrase, phrase } from '@lintrel/words';
import { View } from 'react-native';
import { useJob } from '@/job/JobContext';
import { Missing } from '@/job/Missing';
import { StepLayout } from '@/job/StepLayout';
import { useIsAllowed } from '@/people/who';
import { useWords } from '@/person/PersonContext';
import { RunningSheet } from '@/run/RunningSheet';
import { ShadeProvider } from '@/run/shade';
import { useWorkSheet, type WorkSheet } from '@/run/useWorkSheet';
import { Action } from '@/ui/Action';
import { Notice } from '@/ui/Notice';
import { Panel, Waiting } from '@/ui/Screen';
import { Body, Heading, Small } from '@/ui/Typography';

/** Run: one thing at a time, very large. */
export function RunScreen() {
  const { id, plan } = useJob();
  const sheet = useWorkSheet(id);
  if (sheet.loading || sheet.error)
    return (
      <StepLayout>
        <Waiting what="the run sheet" error={sheet.error} retry={<Action label="Try again" onPress={sheet.retry} />} />
        {sheet.error && sheet.unsent > 0 ? (
          <Body>
            {sheet.unkept
              ? phrase`${countPhrase(sheet.unsent, 'entry is', 'entries are')} on this page alone: leave it open until the server is back.`
              : phrase`${countPhrase(sheet.unsent, 'entry is', 'entries are')} kept on this device, and sent when the server is back.`}
          </Body>
        ) : null}
      </StepLayout>
    );
  if (sheet.plan)
    return (
      <ShadeProvider>
        <RunningSheet sheet={sheet} />
      </ShadeProvider>
    );
  if (!plan || plan.steps.length === 0)
    return (
      <StepLayout>
        <Missing need="finish" />
      </StepLayout>
    );
  return <BeforeStart sheet={sheet} />;
}

function BeforeStart({ sheet }: { sheet: WorkSheet }) {
  const { plan, planning, planError, revision, saved, shelf } = useJob();
  const { say, caution, follow } = useWords();
  const mayStart = useIsAllowed()('plan');
  if (!plan) return null;
  const toDo = attendedSteps(plan.steps);
  const blocking = plan.advice.filter(({ level }) => level === 'stop');
  return (
    <StepLayout
      action={
        <Action
          rank="main"
          // The plan on screen is the one that gets frozen: starting waits for the plan of the newest design.
          label={
            !mayStart
              ? 'Painters and owners start it'
              : planning && !planError
                ? 'Working out the newest plan …'
                : 'Start in the shop'
          }
          busy={sheet.busy}
          disabled={!mayStart || saved.kind !== 'saved' || planning}
          onPress={() => sheet.start(revision, shelf)}
          testID="start"
        />
      }
    >
      <Panel>
        <Heading>{phrase`${countPhrase(toDo.length, 'step')} in ${countPhrase(plan.stages.length, 'stage')}`}</Heading>
        <Body>Starting freezes this plan with its log: what you change later does not change under your hands.</Body>
        {sheet.trouble ? <Notice level="stop" text={sheet.trouble} /> : null}
        {blocking.map((advice) => (
          <Notice key={say(advice)} level={advice.level} text={say(advice)} />
        ))}
      </Panel>
      <Panel>
        {toDo.map((step) => (
          <View key={step.id}>
            <Small tone="ink">{step.stage === null ? say(step.say) : phrase`${step.stage}. ${say(step.say)}`}</Small>
            {step.safety.map((code) => (
              <Notice key={code} level="caution" text={caution(code)} />
            ))}
          </View>
        ))}
        {plan.safety.length > 0 ? <Small>{follow}</Small> : null}
      </Panel>
    </StepLayout>
  );
}
