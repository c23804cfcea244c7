import unit from './jest.config.mjs'

export default {
  ...unit,
  testMatch: ['<rootDir>/tests/e2e/**/*.test.ts'],
  testPathIgnorePatterns: ['/node_modules/'],
  setupFilesAfterEnv: ['<rootDir>/tests/e2e/once-more.ts'],
  maxWorkers: 2,
  testTimeout: 180_000,
}
