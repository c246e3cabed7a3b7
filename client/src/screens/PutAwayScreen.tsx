import { jobListSchema } from '@lintrel/core/front';
import { JOB_NAMES, phrase } from '@lintrel/words';
import { useQuery } from '@tanstack/react-query';
import { router } from 'expo-router';
import { useState } from 'react';
import { request } from '@/api/http';
import { BringBack } from '@/jobs/JobActions';
import { useIsAllowed } from '@/people/who';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Row, Rows } from '@/ui/Row';
import { Panel, Screen, Waiting } from '@/ui/Screen';
import { Body, Heading, Small } from '@/ui/Typography';
import { dayAndTime } from '@/words';

type Which = 'archived' | 'deleted';

/** Jobs that were archived or deleted, and how they come back. */
export function PutAwayScreen() {
  const [which, setWhich] = useState<Which>('archived');
  const mayPlan = useIsAllowed()('plan');
  const { data, error, refetch } = useQuery({
    queryKey: ['jobs', which],
    queryFn: () => request('GET', `/jobs?state=${which}`, jobListSchema),
  });
  return (
    <Screen title="Archived and deleted jobs">
      <Choice
        label="Show"
        value={which}
        options={[
          { value: 'archived', label: 'Archived' },
          { value: 'deleted', label: 'Deleted' },
        ]}
        onChange={setWhich}
      />
      {which === 'deleted' ? <Small>Deleted jobs are kept for 30 days, with all that was logged.</Small> : null}
      {data ? (
        <Panel>
          <Rows>
            {data.jobs.map((job) => (
              <Row
                key={job.id}
                label={job.title}
                testID="put-away"
                after={mayPlan ? <BringBack job={job} /> : undefined}
              >
                <Heading>{job.title}</Heading>
                <Small>{phrase`${JOB_NAMES[job.kind]} · ${which === 'deleted' ? 'deleted' : 'archived'} ${dayAndTime(job.deletedAt ?? job.archivedAt ?? job.updatedAt)}`}</Small>
              </Row>
            ))}
          </Rows>
          {data.jobs.length === 0 ? (
            <Body>{which === 'deleted' ? 'No job was deleted in the last 30 days.' : 'No job is archived.'}</Body>
          ) : null}
        </Panel>
      ) : (
        <Waiting what="the jobs" error={error} retry={<Action label="Try again" onPress={() => void refetch()} />} />
      )}
      <Action rank="quiet" icon="arrow-left" label="Back to the jobs" onPress={() => router.push('/')} />
    </Screen>
  );
}
