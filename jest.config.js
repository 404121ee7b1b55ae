const shared = {
  setupFiles: ['<rootDir>/tests/propertyCases.ts'],
  moduleNameMapper: {
    '^@/(.*)$': '<rootDir>/src/$1',
    '^@sample$': '<rootDir>/sample/index.ts',
    '^@sample/(.*)$': '<rootDir>/sample/$1',
  },
};
const esmPackages =
  'uint8array-extras|tinyqueue|@tanstack|expo|@expo|react-native|@react-native|@react-navigation';
const transformIgnorePatterns = [`/node_modules/(?!(${esmPackages}))`];

module.exports = {
  // A bound for what never comes, not for what comes late.
  testTimeout: 60_000,
  projects: [
    {
      ...shared,
      displayName: 'core',
      preset: 'jest-expo/node',
      testMatch: [
        '<rootDir>/src/{core,office,state}/**/*.test.ts',
        '<rootDir>/{server,sample,scripts,tests/fuzz}/**/*.test.ts',
      ],
      transformIgnorePatterns,
    },
    {
      ...shared,
      displayName: 'screens',
      preset: 'jest-expo/web',
      testMatch: ['<rootDir>/src/**/*.test.tsx'],
      transformIgnorePatterns,
    },
  ],
};
