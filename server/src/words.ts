import { wordsFor } from '@lintrel/words';

/** Whoever asks without our screens reads English, in millimetres and °C. */
export const WORDS = wordsFor();
