export default {
  testEnvironment: 'node',
  // One core fewer is the default, which leaves half of a small machine idle.
  maxWorkers: 2,
  // Nothing here measures speed: a machine that is busy with other things may take its time.
  testTimeout: 60_000,
  testSequencer: '<rootDir>/tests/support/heaviestFirst.mjs',
  setupFilesAfterEnv: ['<rootDir>/tests/support/matchers.ts'],
  roots: ['<rootDir>/tests/unit', '<rootDir>/tests/golden', '<rootDir>/tests/reference', '<rootDir>/tests/install'],
  modulePathIgnorePatterns: ['<rootDir>/.next', '<rootDir>/data', '<rootDir>/build'],
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1', '^#tests/(.*)$': '<rootDir>/tests/$1' },
  transform: {
    '/src/core/simulate/(zone\\w+|packLayers)\\.ts$': '<rootDir>/tests/support/kernelTransform.mjs',
    '/(src/core|tests/support)/.+\\.ts$': '<rootDir>/tests/support/coreTransform.mjs',
    '^.+\\.(t|j|mj)sx?$': [
      '@swc/jest',
      {
        jsc: {
          parser: { syntax: 'typescript', tsx: true },
          transform: { react: { runtime: 'automatic' } },
          target: 'es2022',
        },
        module: { type: 'commonjs' },
      },
    ],
  },
  transformIgnorePatterns: [
    '/node_modules/(?!(suncalc|comlink|jsthermalcomfort|psychrolib|d3-[a-z-]+|uuid|internmap|@tanstack|metar-taf-parser|p-limit|yocto-queue|react-hotkeys-hook)/)',
  ],
};
