import config from './playwright.config.ts';

/** Benchmarks live apart from the journeys; no trace is kept, its pictures of the page would be timed along with it. */
export default {
  ...config,
  testMatch: 'bench.ts',
  outputDir: '../test-results/bench',
  reporter: 'line',
  use: { ...config.use, trace: 'off' as const },
};
