import { readFileSync } from 'node:fs';
import { BaseSequencer, type TestSpecification } from 'vitest/node';
import { defineConfig } from 'vitest/config';

/** What presses whatever it finds leaves things behind: texts half typed, names, choices. */
const APART = ['web/src/stages/any-hand.test.ts'];

/** A worker goes on to the next file only where that runs in the same environment: files with a page come in a row. */
class OneEnvironmentAfterTheOther extends BaseSequencer {
  override async sort(files: TestSpecification[]): Promise<TestSpecification[]> {
    const withPage = new Set(
      files.filter(({ moduleId }) => readFileSync(moduleId, 'utf8').startsWith('// @vitest-environment')),
    );
    const rank = (file: TestSpecification): number => (withPage.has(file) ? 0 : 1);
    return (await super.sort(files)).toSorted((a, b) => rank(a) - rank(b));
  }
}

export default defineConfig({
  test: {
    environment: 'node',
    setupFiles: [`${import.meta.dirname}/web/src/test/leave-no-page.ts`],
    globalSetup: `${import.meta.dirname}/server/src/test/bundled.ts`,
    projects: [
      {
        extends: true,
        test: {
          name: 'unit',
          include: ['core/src/**/*.test.ts', 'server/src/**/*.test.ts', 'web/src/**/*.test.ts'],
          exclude: [...APART, '**/node_modules/**'],
          // Tests share nothing that they change, so a worker may load the modules once for all its files.
          isolate: false,
        },
      },
      { extends: true, test: { name: 'apart', include: APART, isolate: true } },
    ],
    pool: 'threads',
    maxWorkers: 2,
    sequence: { sequencer: OneEnvironmentAfterTheOther },
    // A limit for what hangs, not a measure of speed: a busy machine can stand still for a minute.
    testTimeout: 180_000,
    hookTimeout: 180_000,
    expect: { poll: { timeout: 60_000 } },
  },
});
