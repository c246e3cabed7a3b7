import type { Wish } from '@lintrel/core';

export const WISH_WORDS: Readonly<Record<Wish, string>> = { work: 'Least work', finish: 'Done earliest', risk: 'Least risk', material: 'Least material' };
