import type { ToSession } from './messages';
import { createSession } from './session';

// A message to ourselves comes after those that are waiting already: what is long lets them pass.
const { port1, port2 } = new MessageChannel();
const waiting: (() => void)[] = [];
port2.onmessage = () => waiting.shift()?.();

const hear = createSession(
  (news) => self.postMessage(news),
  (work) => {
    waiting.push(work);
    port1.postMessage(null);
  },
);
self.onmessage = ({ data }: MessageEvent<ToSession>) => hear(data);
