import { v4 } from 'uuid';

/** An id nobody else makes. The browser's own way of making one is missing where a page comes over plain HTTP, as it does in the shop. */
export const newId = (): string => v4();
