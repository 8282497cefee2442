import { defineConfig } from 'vitest/config';

/** One browser, one server: files run one after the other. */
export default defineConfig({
  test: {
    include: ['e2e/**/*.test.ts'],
    environment: 'node',
    fileParallelism: false,
    testTimeout: 400_000,
    hookTimeout: 400_000,
  },
});
