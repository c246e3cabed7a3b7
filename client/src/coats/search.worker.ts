import { searchJob, type Design, type Shelf } from '@lintrel/core';

/** News are told this often at most, ms. */
const EVERY_MS = 200;

self.onmessage = ({ data: { design, shelf } }: MessageEvent<{ readonly design: Design; readonly shelf: Shelf }>) => {
  let told = 0;
  for (const news of searchJob(design, shelf)) {
    if (!news.done && performance.now() - told < EVERY_MS) continue;
    told = performance.now();
    self.postMessage(news);
  }
};
