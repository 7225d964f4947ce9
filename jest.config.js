const common = {
  transform: {
    '^.+\\.tsx?$': [
      '<rootDir>/tests/transform.js',
      {
        jsc: {
          target: 'es2023',
          parser: { syntax: 'typescript', tsx: true },
          transform: { react: { runtime: 'automatic' } },
        },
        module: { type: 'es6' },
      },
    ],
  },
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  moduleNameMapper: { '\\.css$': '<rootDir>/tests/empty-module.js' },
  modulePathIgnorePatterns: ['<rootDir>/.local', '<rootDir>/.tsbuild', '/dist/'],
};

const inNode = (displayName, ...folders) => ({
  ...common,
  displayName,
  testEnvironment: 'node',
  testMatch: folders.map((folder) => `<rootDir>/${folder}/**/*.test.ts`),
});

export default {
  // Against what hangs; how long a thing takes is shown by the benchmarks, on a machine with nothing beside it.
  testTimeout: 300_000,
  projects: [
    inNode('core', 'packages/core/src', 'packages/simulator/src', 'tests'),
    { ...inNode('server', 'packages/server/src'), globalSetup: '<rootDir>/tests/server-setup.js' },
    {
      ...common,
      displayName: 'web',
      testEnvironment: 'jest-environment-jsdom',
      testMatch: ['<rootDir>/packages/web/src/**/*.test.{ts,tsx}'],
      setupFiles: ['<rootDir>/tests/jsdom-setup.js'],
      setupFilesAfterEnv: ['<rootDir>/packages/web/src/testing/waits.ts'],
    },
  ],
};
