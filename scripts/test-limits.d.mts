export const TEST_MS: number;
export const LONG_TEST_MS: number;
export const WAIT_MS: number;
export const SILENT_RUN_MS: number;
export const EXIT_MS: number;
export const CLOSE_MS: number;
export const SOAK: boolean;
export function depth<T>(quick: T, full: T): T;
