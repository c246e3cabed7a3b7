import fc from 'fast-check';

/**
 * Property tests try the same cases in every run, so that a red run can be repeated and a green one stays green.
 * `LINTREL_SEED=<number>` tries others; the seed of a failure is printed with it.
 */
fc.configureGlobal({ seed: Number(process.env.LINTREL_SEED ?? 20_260) });
