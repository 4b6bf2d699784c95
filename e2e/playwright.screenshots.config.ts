import journeys from './playwright.config.ts';

/** Not a test: takes the pictures in docs/screenshots from the demo data. `npm run screenshots` at the top. */
export default {
  ...journeys,
  testMatch: 'screenshots.ts',
  reporter: 'list',
  outputDir: '../test-results/screenshots',
};
