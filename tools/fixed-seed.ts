import fc from 'fast-check';

/**
 * Properties are tried with the same inputs everywhere, so that a red run is red again. Others: `SEED=12345 npm run test:core`; a failing
 * property prints its seed.
 */
fc.configureGlobal({ seed: Number(process.env['SEED'] ?? 1) });
