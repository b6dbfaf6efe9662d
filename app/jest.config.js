const expo = require('jest-expo/jest-preset');

module.exports = {
  displayName: 'app',
  rootDir: __dirname,
  preset: 'jest-expo/android',
  setupFiles: ['react-native-gesture-handler/jestSetup', '<rootDir>/test/setup.ts'],
  setupFilesAfterEnv: ['<rootDir>/test/patience.ts'],
  // Packages that come as modules only.
  transformIgnorePatterns: expo.transformIgnorePatterns.map((pattern) =>
    pattern.replace('|standard-navigation', '|standard-navigation|color'),
  ),
  testMatch: ['<rootDir>/src/**/*.test.ts?(x)'],
  moduleNameMapper: {
    '^@/(.*)$': '<rootDir>/src/$1',
    '^@react-native-vector-icons/material-design-icons$': '<rootDir>/src/ui/PaperIcon.tsx',
  },
};
