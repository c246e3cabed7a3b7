import type { Aim } from '@lintrel/core';

export const AIM_WORDS: Readonly<Record<Aim, string>> = {
  work: 'Least work',
  finish: 'Done earliest',
  risk: 'Least risk',
  material: 'Least material',
};
