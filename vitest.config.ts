import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    include: ['core/src/**/*.test.ts', 'server/src/**/*.test.ts', 'web/src/**/*.test.ts'],
    environment: 'node',
    // Tests share nothing that they change, so a worker may load the modules once for all its files.
    isolate: false,
    pool: 'threads',
    maxWorkers: 2,
    // A limit for what hangs, not a measure of speed: a busy machine can stand still for a minute.
    testTimeout: 180_000,
    hookTimeout: 180_000,
    expect: { poll: { timeout: 60_000 } },
  },
});
