/** The order in which test files are handed out: those that take longest first, so that no worker is left with one at the end. */
const { statSync } = require('node:fs');

/** Long for what they ask of a server or a planner, not for their size. */
const LONG = [
  /server\/src\/mistakes\/.*\.integration/,
  /app\.property/,
  /keeping\.integration/,
  /plan\.property/,
  /walkedRound/,
  /scope\.integration/,
];
const isLong = ({ path }) => LONG.some((name) => name.test(path));

module.exports = class {
  sort(tests) {
    const sizes = new Map(tests.map((test) => [test, statSync(test.path).size]));
    return [...tests].sort((a, b) => isLong(b) - isLong(a) || sizes.get(b) - sizes.get(a));
  }
  allFailedTests(tests) {
    return tests;
  }
  cacheResults() {}
  shard(tests) {
    return tests;
  }
};
