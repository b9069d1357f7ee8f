import fc from 'fast-check';

// One fixed seed, so that a failure on one machine is a failure on every machine.
fc.configureGlobal({ seed: 20261106, numRuns: 100 });
