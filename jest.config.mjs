/** One Jest run for the rooms; a project each, so that a failure names its room. */
const transform = {
  '^.+\\.(t|j)sx?$': [
    '@swc/jest',
    {
      jsc: {
        parser: { syntax: 'typescript', tsx: true },
        target: 'es2022',
        transform: { react: { runtime: 'automatic' } },
      },
      module: { type: 'commonjs' },
    },
  ],
};

/** These ship as ES modules only and are compiled like our own code. */
const esModulesOnly = ['d3-[a-z]+', 'internmap', '@internationalized', 'cookie', '@noble/hashes'];

const room = (name) => ({
  displayName: name,
  rootDir: `${import.meta.dirname}/${name}`,
  testMatch: ['<rootDir>/src/**/*.test.ts', '<rootDir>/src/**/*.test.tsx'],
  testEnvironment: 'node',
  // Looked up in the sandbox itself: as a property of its global object each use of Math costs more than the sum around it.
  sandboxInjectedGlobals: ['Math'],
  // The cases of a property are the same in every run.
  moduleNameMapper: {
    '^fast-check$': `${import.meta.dirname}/bin/properties.cjs`,
  },
  transform,
  transformIgnorePatterns: [`/node_modules/(?!(${esModulesOnly.join('|')})/)`],
});

export default {
  maxWorkers: '100%',
  testSequencer: `${import.meta.dirname}/bin/sequencer.cjs`,
  // What a worker's files leave behind adds up: a new one begins small.
  workerIdleMemoryLimit: '1GB',
  // On a busy machine a test that asks a server a thousand things takes longer than Jest expects.
  testTimeout: 120_000,
  projects: [
    room('core'),
    room('contract'),
    room('workshop'),
    room('messages'),
    room('documents'),
    {
      ...room('server'),
      globalSetup: `${import.meta.dirname}/server/src/testing/startDatabase.ts`,
      globalTeardown: `${import.meta.dirname}/server/src/testing/stopDatabase.ts`,
    },
    room('web'),
    room('stand-ins'),
  ],
};
