const MODULES = [
  'fast-check',
  'pure-rand',
  'idb',
  'comlink',
  '@vueuse',
  'ml-levenberg-marquardt',
  'ml-matrix',
  'is-any-array',
]

/**
 * What the loops of a year look up. Each file of tests has its own globals, which are looked up thirty times more
 * slowly than a variable; these are handed to every module as one, and a year takes a third of the time.
 */
const LOOKED_UP = [
  'Math',
  'Infinity',
  'Array',
  'Object',
  'Map',
  'Set',
  'Float64Array',
  'Float32Array',
  'Int32Array',
  'Uint8Array',
]

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
  // Packages that ship as modules alone.
  transformIgnorePatterns: [`/node_modules/(?!(${MODULES.join('|')})/)`],
  globalSetup: '<rootDir>/tests/bundle.mjs',
  runtime: '<rootDir>/tests/shared-core.cjs',
  sandboxInjectedGlobals: LOOKED_UP,
  maxWorkers: 2,
  reporters: ['<rootDir>/tests/progress-reporter.mjs', ['summary', { summaryThreshold: Infinity }]],
  // Years are long on a machine that is busy.
  testTimeout: 120_000,
}
