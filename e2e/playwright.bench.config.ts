import config from './playwright.config.ts';

/** Benchmarks live apart from the journeys. */
export default { ...config, testMatch: 'bench.ts', outputDir: '../test-results/bench', reporter: 'line' };
