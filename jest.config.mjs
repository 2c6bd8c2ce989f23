/** Unit tests run the sources as they are, through SWC; the browser has its own tests in e2e/. */
export default {
  rootDir: import.meta.dirname,
  // How long a test takes is no claim of ours: the limit is for what hangs, also on a busy machine.
  testTimeout: 300_000,
  setupFiles: ['<rootDir>/jest.setup.cjs'],
  testMatch: ['<rootDir>/{packages,apps}/*/test/**/*.test.{ts,tsx}'],
  modulePathIgnorePatterns: ['<rootDir>/.*/dist/', '<rootDir>/demo/'],
  // Also where a test has a document: the packages are then loaded as Node loads them.
  testEnvironmentOptions: { customExportConditions: ['node', 'require', 'default'] },
  moduleNameMapper: {
    '^@poietra/(core|react|inputs)$': '<rootDir>/packages/$1/src/index.ts',
    '^@poietra/core/written/(checks|whole)$': '<rootDir>/packages/core/src/written/$1.ts',
    '^@poietra/core/handover$': '<rootDir>/packages/core/src/handover/index.ts',
    '^@poietra/core/written$': '<rootDir>/packages/core/src/written/index.ts',
    '^@poietra/react/written$': '<rootDir>/packages/react/src/written.ts',
    '^(\\.{1,2}/.*)\\.js$': '$1',
  },
  // Shipped as modules only, which Jest has to turn into what it runs.
  transformIgnorePatterns: ['/node_modules/(?!(ts-blank-space|url-template|@marcbachmann/cel-js|d3-color)/)'],
  transform: {
    '^.+\\.tsx?$|/(ts-blank-space|url-template|cel-js|d3-color)/.+\\.m?js$': [
      '@swc/jest',
      {
        jsc: {
          target: 'es2022',
          parser: { syntax: 'typescript', tsx: true },
          transform: { react: { runtime: 'automatic' } },
        },
      },
    ],
  },
};
