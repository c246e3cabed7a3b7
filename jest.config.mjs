import { TEST_MS } from './scripts/test-limits.mjs';

const swc = [
  '<rootDir>/scripts/swc-near-globals.mjs',
  { jsc: { parser: { syntax: 'typescript' }, target: 'es2022' }, module: { type: 'commonjs' } },
];

/** Unit and server tests run through swc; packages that ship as ES modules only are transformed as well. */
const node = (name, roots, extra = {}) => ({
  displayName: name,
  testEnvironment: '<rootDir>/scripts/test-environment.mjs',
  roots,
  testMatch: ['**/*.test.ts'],
  setupFiles: ['<rootDir>/scripts/property-seed.ts'],
  transform: { '^.+\\.[mc]?[tj]sx?$': swc },
  transformIgnorePatterns: [
    '/node_modules/(?!(culori|age-encryption|@noble|@scure|@hpke|valibot|@valibot|jsts|clipper2-ts|maxrects-packer)/)',
  ],
  moduleNameMapper: {
    '^@lintrel/core$': '<rootDir>/core/src/index.ts',
    '^@lintrel/core/front$': '<rootDir>/core/src/front.ts',
    '^@lintrel/core/files$': '<rootDir>/core/src/files/index.ts',
    '^@lintrel/words$': '<rootDir>/words/src/index.ts',
  },
  ...extra,
});

const long = { setupFilesAfterEnv: ['<rootDir>/scripts/long-tests.ts'] };

export default {
  testTimeout: TEST_MS,
  projects: [
    node('core', ['<rootDir>/core/src', '<rootDir>/words/src', '<rootDir>/cli/src']),
    node('server', ['<rootDir>/server/src']),
    {
      displayName: 'client',
      preset: 'jest-expo/ios',
      rootDir: 'client',
      testMatch: ['<rootDir>/src/**/*.test.ts', '<rootDir>/src/**/*.test.tsx'],
      moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
      transformIgnorePatterns: [
        '/node_modules/(?!(react-native|@react-native|expo|@expo|culori|valibot|@valibot|clipper2-ts|uuid))',
      ],
    },
    node('start', ['<rootDir>/scripts'], long),
    node('browser', ['<rootDir>/e2e'], long),
  ],
};
