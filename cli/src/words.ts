import { wordsFor } from '@lintrel/words';

/** The command line speaks English, in millimetres and °C. */
export const WORDS = wordsFor();
