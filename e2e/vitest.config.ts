import { defineConfig } from 'vitest/config';

/** Each file has a browser and a server of its own; most of a test is waiting, so that two run beside each other. */
export default defineConfig({
  test: {
    include: ['e2e/**/*.test.ts', 'torture/**/*.test.ts'],
    environment: 'node',
    globalSetup: `${import.meta.dirname}/snapshot.ts`,
    maxWorkers: 2,
    testTimeout: 400_000,
    hookTimeout: 400_000,
  },
});
