/** Unit tests run straight from the TypeScript sources. */
export default {
  testMatch: ['<rootDir>/{core,server,web,demo,bench}/**/*.test.{ts,tsx}'],
  testEnvironment: 'node',
  // Hashes and whole timelines on a machine that does other work beside it.
  testTimeout: 30_000,
  // Nothing else runs beside it: every core, where the default leaves one idle.
  maxWorkers: '100%',
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  transform: {
    '^.+\\.ts$': [
      '<rootDir>/scripts/jest-transform.mjs',
      { jsc: { parser: { syntax: 'typescript', tsx: false }, target: 'es2023' }, module: { type: 'es6' } },
    ],
    '^.+\\.tsx$': [
      '<rootDir>/scripts/jest-transform.mjs',
      {
        jsc: {
          parser: { syntax: 'typescript', tsx: true },
          target: 'es2023',
          transform: { react: { runtime: 'automatic' } },
        },
        module: { type: 'es6' },
      },
    ],
  },
  moduleNameMapper: { '^@inner-rung/core/(.*)$': '<rootDir>/core/src/$1/index.ts' },
};
