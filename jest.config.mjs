import nextJest from 'next/jest.js';

const createConfig = nextJest({ dir: './' });

/** ESM-only packages that Jest has to compile. */
const ESM_PACKAGES = ['highs'];

export default async () => {
  const config = await createConfig({
    testEnvironment: 'node',
    testMatch: [
      '<rootDir>/src/**/*.test.{ts,tsx}',
      '<rootDir>/tests/**/*.test.ts',
      '<rootDir>/scripts/**/*.test.ts',
    ],
    moduleNameMapper: {
      '^@/(.*)$': '<rootDir>/src/$1',
      '^@test/(.*)$': '<rootDir>/tests/$1',
      '^server-only$': '<rootDir>/tests/emptyModule.ts',
    },
    globalSetup: '<rootDir>/scripts/buildThreads.mjs',
    setupFiles: ['<rootDir>/tests/setup.ts'],
    // Jest keeps one core free; on two cores that halves it.
    maxWorkers: '100%',
    clearMocks: true,
    // Only there to end what hangs: the default of 5 s ends properties on a busy machine.
    testTimeout: 60_000,
  })();
  return {
    ...config,
    // next/jest puts its own pattern first; ours has to replace it, not follow it.
    transformIgnorePatterns: [
      `/node_modules/(?!(${ESM_PACKAGES.join('|')})/)`,
      '^.+\\.module\\.(css|sass|scss)$',
    ],
  };
};
