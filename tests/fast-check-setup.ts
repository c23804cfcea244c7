import fc from 'fast-check'

// The same cases at every run, so that a red run can be repeated; another FC_SEED explores others. No shrinking: a case
// that fails is shown as it is, at once.
fc.configureGlobal({ seed: Number(process.env.FC_SEED ?? 2027), endOnFailure: true })
