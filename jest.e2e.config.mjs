import unit from './jest.config.mjs'

export default {
  ...unit,
  testMatch: ['<rootDir>/tests/e2e/**/*.test.ts'],
  testPathIgnorePatterns: ['/node_modules/'],
  setupFilesAfterEnv: ['<rootDir>/tests/e2e/once-more.ts'],
  maxWorkers: 2,
  // Each wait has a limit of its own.
  testTimeout: 400_000,
}
