/** Laws are tried on the same values each time, so that a run can be repeated; FC_SEED=n tries others. */
require('fast-check').configureGlobal({
  seed: Number(process.env.FC_SEED ?? 20261123),
  ...(process.env.FC_MILLISECONDS ? { interruptAfterTimeLimit: Number(process.env.FC_MILLISECONDS) } : {}),
});
