/** Unit tests; the end-to-end ones have their own configuration and run one after another. */
export default {
  testMatch: ['<rootDir>/tests/**/*.test.ts'],
  testPathIgnorePatterns: ['/node_modules/', '<rootDir>/tests/e2e/'],
  modulePathIgnorePatterns: ['<rootDir>/.output/', '<rootDir>/.nuxt/'],
  transform: {
    '^.+\\.(t|m?j)s$': [
      '@swc/jest',
      { jsc: { target: 'es2022', parser: { syntax: 'typescript' } }, module: { type: 'commonjs' } },
    ],
  },
  transformIgnorePatterns: ['/node_modules/(?!(fast-check|pure-rand|idb|comlink|ml-levenberg-marquardt|ml-matrix|ml-array-rescale|ml-array-max|ml-array-min|is-any-array)/)'],
  setupFiles: ['<rootDir>/tests/fast-check-setup.ts'],
  maxWorkers: 2,
}
