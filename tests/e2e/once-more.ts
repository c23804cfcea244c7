/** A busy machine may answer a hand too late: a test that fails is tried once more, and what it said is printed. */
jest.retryTimes(1, { logErrorsBeforeRetry: true })
