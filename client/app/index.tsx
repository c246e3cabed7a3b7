import type { JobSummary } from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { type Href, router } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useImportJob, useJobs } from '@/api/queries';
import { useLongWork } from '@/api/useLongWork';
import { JobActions } from '@/jobs/JobActions';
import { JobRow } from '@/jobs/JobRow';
import { openTextFile } from '@/jobs/openFile';
import { OwnShop } from '@/jobs/OwnShop';
import { PersonForm } from '@/people/PersonForm';
import { useIsAllowed } from '@/people/who';
import { PlainNote } from '@/sync/PlainNote';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Notice } from '@/ui/Notice';
import { Rows } from '@/ui/Row';
import { Panel, Screen, Waiting } from '@/ui/Screen';
import { Body, Heading } from '@/ui/Typography';
import { useNow } from '@/ui/useNow';
import { WorkNote } from '@/ui/WorkNote';

const RANK: Readonly<Record<JobSummary['state'], number>> = { 'in-shop': 0, planning: 1, finished: 2 };

/** Jobs: running windows, and the next action of each job. */
export default function JobsScreen() {
  const { data, error, refetch, hasNextPage, fetchNextPage, isFetchingNextPage } = useJobs();
  const importJob = useImportJob();
  const work = useLongWork();
  const open = async () => {
    const text = await openTextFile('.json,application/json');
    if (text !== null)
      await work.run(async (long) => {
        const created = await importJob.mutateAsync({ text, long }).catch(() => null);
        if (created) router.push(`/job/${created.id}/piece`);
      });
  };
  const jobs = (data?.pages.flatMap((page) => page.jobs) ?? []).sort(
    (a, b) => RANK[a.state] - RANK[b.state] || a.title.localeCompare(b.title),
  );
  return (
    <Screen
      title="Jobs"
      about="What is on, and what to do next"
      action={
        work.busy ? (
          <WorkNote work={work} />
        ) : (
          <View style={styles.actions}>
            <Action rank="main" label="New job" icon="plus" onPress={() => router.push('/job/new')} />
            <Action label="Open a job file" icon="folder-open-outline" onPress={() => void open()} />
          </View>
        )
      }
    >
      {importJob.error ? (
        <Notice level="stop" text={phrase`This file was not taken in. ${importJob.error.message}`} />
      ) : null}
      {data ? (
        <Panel>
          <JobList jobs={jobs} />
          {hasNextPage ? (
            <Action
              label="More jobs"
              busy={isFetchingNextPage}
              onPress={() => void fetchNextPage()}
              testID="more-jobs"
            />
          ) : null}
          {jobs.length === 0 ? <Body>No job yet. Start one, or answer a single question on the Bench.</Body> : null}
          <Action
            rank="quiet"
            label="Archived and deleted jobs"
            onPress={() => router.push('/put-away' as Href)}
            testID="to-put-away"
          />
        </Panel>
      ) : (
        <Waiting what="the jobs" error={error} retry={<Action label="Try again" onPress={() => void refetch()} />} />
      )}
      <OwnShop />
      <PlainNote />
      <Panel>
        <Heading>The shop</Heading>
        <Action label="People, phones, backup" onPress={() => router.push('/shop' as Href)} testID="to-shop" />
      </Panel>
      <Panel>
        <Heading>On this device</Heading>
        <PersonForm />
      </Panel>
    </Screen>
  );
}

/** The jobs, each with what is due; one of them with what else can be done to it. */
function JobList({ jobs }: { jobs: readonly JobSummary[] }) {
  const now = useNow();
  const mayPlan = useIsAllowed()('plan');
  const [more, setMore] = useState<string | null>(null);
  return (
    <Rows>
      {jobs.map((job) => (
        <View key={job.id}>
          <JobRow job={job} now={now} onMore={mayPlan ? () => setMore(more === job.id ? null : job.id) : undefined} />
          {more === job.id ? <JobActions job={job} onDone={() => setMore(null)} /> : null}
        </View>
      ))}
    </Rows>
  );
}

const styles = StyleSheet.create({ actions: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small } });
