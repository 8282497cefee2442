import { BaseSequencer, type TestSpecification } from 'vitest/node';
import { defineConfig } from 'vitest/config';

/** Files that take minutes: begun last they would leave a worker with nothing to do at the end. */
const LONG = ['screens', 'torture', 'road', 'ride', 'donor', 'frame', 'power'];

class LongestFirst extends BaseSequencer {
  override async sort(files: TestSpecification[]): Promise<TestSpecification[]> {
    const rank = ({ moduleId }: TestSpecification): number => {
      const at = LONG.findIndex((name) => moduleId.endsWith(`/${name}.test.ts`));
      return at === -1 ? LONG.length : at;
    };
    return (await super.sort(files)).toSorted((a, b) => rank(a) - rank(b));
  }
}

/** Each file has a browser and a server of its own; three beside each other leave two cores nothing to wait for. */
export default defineConfig({
  test: {
    include: ['e2e/**/*.test.ts', 'torture/**/*.test.ts'],
    environment: 'node',
    globalSetup: `${import.meta.dirname}/snapshot.ts`,
    // Tests share nothing that they change: a worker loads the modules once for all its files.
    isolate: false,
    maxWorkers: 3,
    sequence: { sequencer: LongestFirst },
    testTimeout: 400_000,
    hookTimeout: 400_000,
  },
});
