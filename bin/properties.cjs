/**
 * fast-check for the tests, drawing the same cases every time: a run that fails on one machine fails on every machine, and one that
 * passed passes again. `bin/soak` draws others.
 */
const fc = require('../node_modules/fast-check/lib/cjs/fast-check.js');

fc.configureGlobal({ ...fc.readConfigureGlobal(), seed: Number(process.env.PROPERTY_SEED ?? 1) });
module.exports = fc;
