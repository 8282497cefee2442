import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    include: ['core/src/**/*.test.ts', 'server/src/**/*.test.ts', 'web/src/**/*.test.ts'],
    environment: 'node',
    // Some tests start a whole process; a busy machine takes its time.
    testTimeout: 30_000,
  },
});
