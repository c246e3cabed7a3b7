import { workAnswerSchema, type WorkProgress } from '@lintrel/core/front';
import { useQuery } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { newId } from '@/device/newId';
import { type LongAsk, request } from './http';

/** How often one asks how far it is, ms. */
const ASK_MS = 400;

/** Something that may take long and is waited for: how far it is, and how to end it. */
export interface LongWork {
  readonly busy: boolean;
  readonly progress: WorkProgress | null;
  readonly run: (work: (long: LongAsk) => Promise<void>) => Promise<void>;
  readonly stop: () => void;
}

export function useLongWork(): LongWork {
  const [name, setName] = useState<string | null>(null);
  const ending = useRef<AbortController | null>(null);
  const { data } = useQuery({
    queryKey: ['works', name],
    queryFn: () => request('GET', `/works/${name}`, workAnswerSchema),
    enabled: name !== null,
    refetchInterval: ASK_MS,
    gcTime: 0,
    retry: false,
  });
  return {
    busy: name !== null,
    progress: data?.progress ?? null,
    async run(work) {
      const controller = new AbortController();
      const workId = newId();
      ending.current = controller;
      setName(workId);
      try {
        await work({ work: workId, signal: controller.signal });
      } finally {
        setName((now) => (now === workId ? null : now));
      }
    },
    stop: () => ending.current?.abort(),
  };
}
