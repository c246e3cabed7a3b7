/** What is refinished. */
export const JOB_KINDS = ['road', 'boat', 'aircraft', 'model', 'other'] as const;
export type JobKind = (typeof JOB_KINDS)[number];
