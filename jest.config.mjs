const node = {
  testEnvironment: 'node',
  // Its map of entries has two stars, which Jest's resolver does not know.
  moduleNameMapper: {
    '^chrono-node/en$': '<rootDir>/../node_modules/chrono-node/dist/cjs/locales/en/index.js',
  },
  transform: {
    '\\.[jt]sx?$|\\.mjs$': [
      'babel-jest',
      { presets: [['babel-preset-expo', { jsxRuntime: 'automatic' }]], babelrc: false, configFile: false },
    ],
  },
  transformIgnorePatterns: [
    '/node_modules/(?!(@date-fns|date-fns|ical\\.js|read-excel-file|saxen|stemmer|ulid|fflate|unzipper-esm|worker-f)/)',
  ],
};

export default {
  // So long a test may take on a busy host: what is slow is measured, not failed.
  testTimeout: 120_000,
  projects: [
    { displayName: 'core', rootDir: 'core', ...node },
    {
      displayName: 'server',
      rootDir: 'server',
      testMatch: ['**/test/**/*.test.ts'],
      ...node,
    },
    { displayName: 'demo', rootDir: 'demo', ...node },
    { displayName: 'cli', rootDir: 'cli', ...node },
    {
      displayName: 'app',
      rootDir: 'app',
      preset: 'jest-expo',
      moduleNameMapper: {
        '^lucide-react-native/icons/(.*)$':
          '<rootDir>/../node_modules/lucide-react-native/dist/cjs/icons/$1.js',
      },
      transformIgnorePatterns: [
        '/node_modules/(?!((jest-)?react-native|@react-native|expo|@expo|react-navigation|@react-navigation|lucide-react-native|@date-fns|date-fns|ulid))',
      ],
    },
    {
      displayName: 'e2e',
      rootDir: 'e2e',
      globalSetup: '<rootDir>/test/buildServer.ts',
      testMatch: ['**/test/**/*.test.ts'],
      ...node,
    },
  ],
};
