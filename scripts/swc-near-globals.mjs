// Tests run in a context of their own, where every mention of a global is looked up slowly: what is mentioned most is looked up once a file.
import swcJest from '@swc/jest';

const NEAR = [
  'Array',
  'Infinity',
  'Int8Array',
  'JSON',
  'Map',
  'Math',
  'NaN',
  'Number',
  'Object',
  'Set',
  'String',
  'WeakMap',
];
const head = `"use strict";const {${NEAR.join(',')}}=globalThis;const undefined=void 0;`;

function createTransformer(options) {
  const swc = swcJest.createTransformer(options);
  // Packages may have names of their own for them.
  const near = (path, made) => (path.includes('node_modules') ? made : { ...made, code: head + made.code });
  return {
    ...swc,
    process: (source, path, ...asked) => near(path, swc.process(source, path, ...asked)),
    processAsync: async (source, path, ...asked) => near(path, await swc.processAsync(source, path, ...asked)),
    getCacheKey: (...asked) => `${swc.getCacheKey(...asked)}-near`,
  };
}

export default { createTransformer };
