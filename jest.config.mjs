const swc = [
  '@swc/jest',
  {
    jsc: {
      parser: { syntax: 'typescript', tsx: true },
      transform: { react: { runtime: 'automatic' } },
      target: 'es2022',
    },
  },
];

export default {
  testEnvironment: 'node',
  transform: { '^.+\\.(ts|tsx|js|mjs)$': swc },
  // These come as ES modules only.
  transformIgnorePatterns: [
    '/node_modules/(?!(d3-[a-z-]+|internmap|delaunator|robust-predicates|p-limit|yocto-queue|use-intl|icu-minify|intl-messageformat|@formatjs)/)',
  ],
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/$1' },
  testPathIgnorePatterns: ['/node_modules/', '/.next/'],
  modulePathIgnorePatterns: ['<rootDir>/.next/'],
  testTimeout: 30_000,
  setupFilesAfterEnv: ['<rootDir>/testing/must-assert.ts'],
};
