import { configureGlobal } from 'fast-check';

/**
 * Random examples are the same ones each time, so that what failed once fails again and what landed stays landed.
 * `SEED=random npx vitest run` looks for others; `SEED=123` is that one.
 */
const { SEED = '20261202' } = process.env;
if (SEED !== 'random') configureGlobal({ seed: Number(SEED) });
