module.exports = {
  displayName: 'app',
  rootDir: __dirname,
  preset: 'jest-expo/android',
  setupFiles: ['<rootDir>/test/setup.ts'],
  testMatch: ['<rootDir>/src/**/*.test.ts?(x)'],
  moduleNameMapper: {
    '^@/(.*)$': '<rootDir>/src/$1',
    '^@react-native-vector-icons/material-design-icons$': '<rootDir>/src/ui/PaperIcon.tsx',
  },
};
