import type { CutState } from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Image, StyleSheet, View } from 'react-native';
import { cancelCut, fetchCut, sendToCutter } from '@/api/cutter';
import { useWords } from '@/person/PersonContext';
import { colour, measure, space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Notice } from '@/ui/Notice';
import { Progress } from '@/ui/Progress';
import { Body, Small } from '@/ui/Typography';

/** How often one asks how far it is, ms. */
const ASK_MS = 300;

/** The masks of a job sent to the cutter: how far it is, stopping it, and what it cut. */
export function CutterPanel({ job, widthMm }: { job: string; widthMm: number | null }) {
  const { text } = useWords();
  const [cut, setCut] = useState<string | null>(null);
  const send = useMutation({ mutationFn: () => sendToCutter(job, widthMm ?? 0), onSuccess: ({ id }) => setCut(id) });
  const { data, error } = useQuery({
    queryKey: ['cut', cut],
    queryFn: () => fetchCut(cut ?? ''),
    enabled: cut !== null,
    refetchInterval: (query) => (query.state.data && query.state.data.state !== 'cutting' ? false : ASK_MS),
  });
  const cancel = useMutation({ mutationFn: () => cancelCut(cut ?? '') });
  const state = data ?? (send.isSuccess ? send.data : null);
  const cutting = send.isPending || state?.state === 'cutting';
  const trouble = send.error ?? cancel.error ?? error;
  return (
    <>
      <Small>
        A simulated cutter comes with Lintrel; a real one that speaks the same takes its place. It cuts along the lines
        on film as wide as above.
      </Small>
      <Action
        label="Send to the cutter"
        disabled={cutting || widthMm === null}
        busy={send.isPending}
        onPress={() => send.mutate()}
        testID="send-cutter"
      />
      {state ? (
        <>
          <View testID="cut-state">
            <Body>{STATES[state.state](state)}</Body>
          </View>
          {state.state === 'cutting' ? (
            <>
              <Progress share={state.of === 0 ? 0 : state.done / state.of} />
              <Action label="Stop it" icon="close" onPress={() => cancel.mutate()} testID="stop-cutter" />
            </>
          ) : null}
          {state.picture ? (
            <Image
              source={{ uri: `data:image/svg+xml;charset=utf-8,${encodeURIComponent(state.picture)}` }}
              style={styles.picture}
              resizeMode="contain"
              accessibilityLabel={text('What the cutter cut')}
              testID="cut-picture"
            />
          ) : null}
        </>
      ) : null}
      {trouble ? <Notice level="stop" text={trouble.message} /> : null}
    </>
  );
}

const STATES: Readonly<Record<CutState['state'], (state: CutState) => string>> = {
  cutting: ({ done, of }) => phrase`Cutting: ${done} of ${of}`,
  done: ({ of }) => phrase`Done: all ${of} are cut`,
  cancelled: ({ done, of }) => phrase`Stopped after ${done} of ${of}. What is cut is good; the rest is not begun.`,
  'out-of-sheet': ({ done, of }) =>
    phrase`Out of sheet after ${done} of ${of}: put a new one in, or take narrower film, and send again.`,
  broken: ({ done, of }) =>
    phrase`The line to the cutter broke after ${done} of ${of}. Look at the sheet before you send again.`,
};

const styles = StyleSheet.create({
  picture: {
    width: '100%',
    height: 220,
    borderWidth: measure.hairline,
    borderColor: colour.hairline,
    borderRadius: measure.corner,
    marginTop: space.small,
  },
});
