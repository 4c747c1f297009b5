import fc from 'fast-check';

/** Random trains are the same on every run, so that a failure is the change's own; TINWHEEL_SEED=… tries others. */
fc.configureGlobal({ seed: Number(process.env.TINWHEEL_SEED ?? 20_261_123) });
