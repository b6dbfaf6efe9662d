const node = {
  testEnvironment: 'node',
  transform: { '^.+\\.(tsx?|sql)$': '<rootDir>/../scripts/jest-esbuild.cjs' },
  testPathIgnorePatterns: ['/node_modules/', '/dist/'],
};
/** @type {import('jest').Config} */
module.exports = {
  // A test that hangs is ended; how fast a machine is, no test asks.
  testTimeout: 120_000,
  projects: [
    { displayName: 'core', rootDir: '<rootDir>/core', ...node },
    {
      displayName: 'server',
      rootDir: '<rootDir>/server',
      ...node,
      globalSetup: '<rootDir>/test/global-setup.cjs',
      globalTeardown: '<rootDir>/test/global-teardown.cjs',
    },
    { displayName: 'device', rootDir: '<rootDir>/device', ...node },
    '<rootDir>/app/jest.config.js',
  ],
};
