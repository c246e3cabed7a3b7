import { v4 } from 'uuid';

/** A unique id. `crypto.randomUUID` is missing on plain HTTP pages. */
export const newId = (): string => v4();
