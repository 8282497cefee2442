import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { BuildDocument, QuantityPath } from '../document/document.ts';
import { knownBuild, knownInUse } from '../document/known.ts';
import { knownAt, withQuantity, withValue } from '../document/quantity-at.ts';
import { wayOf } from '../ride/corners.ts';
import { anyBuild, runs } from '../test/sample.ts';
import { lawFacts } from './facts.ts';
import { judgeClause, type ClauseVerdict } from './judge-clause.ts';
import { shippedRules } from './rules.ts';
import { FASTER, HEAVIER, MORE_HELP, anyPack, plausibleSpan } from '../machine/span.ts';

/** Every clause of every shipped place, each limit once. */
const CLAUSES = [
  ...new Map(
    shippedRules()
      .flatMap((place) => place.tests.flatMap((t) => t.categories.flatMap((c) => c.clauses)))
      .map((clause) => [
        JSON.stringify({ ...clause, id: '', title: '', source: '', note: '', year: '' }),
        clause,
      ]),
  ).values(),
];
/** A build is held against every sixteenth of them, the next one against the next sixteenth. */
const PARTS = 16;
const judged = (build: BuildDocument, part: number): readonly ClauseVerdict[] => {
  const ways = lawFacts(wayOf(build));
  return CLAUSES.filter((_, i) => i % PARTS === part).map((clause) => judgeClause(clause, ways));
};

const DECIDING: ReadonlySet<string> = new Set([
  ...[...FASTER, ...HEAVIER, ...MORE_HELP].map(([path]) => path),
  'packs.nominalV',
  'donor.widthMm',
  'donor.tyreMm',
  'donor.beadMm',
]);

describe('a deciding value that nobody has read', () => {
  it('leaves no clause green that another plausible value would break (2,000 builds)', () => {
    let [turned, drawn] = [0, 0];
    fc.assert(
      fc.property(anyBuild, fc.nat(), fc.double({ min: 0, max: 1, noNaN: true }), (build, pick, share) => {
        const paths: readonly QuantityPath[] = knownInUse(build, knownBuild(build))
          .map((k) => k.path)
          .filter((path) => DECIDING.has(anyPack(path)));
        const path = paths[pick % Math.max(1, paths.length)];
        if (path === undefined) return;
        const less = withQuantity(build, path, { source: 'unknown' });
        const known = knownAt(knownBuild(less), path);
        // Worked out of other entered values it is not unknown.
        if (known.source !== 'unknown') return;
        // A label's rated point tells both speed constant and resistance: another constant contradicts the label.
        const { ratedRpm, ratedA } = build.drive;
        const rated = ratedRpm.source !== 'unknown' && ratedA.source !== 'unknown';
        if (path === 'drive.kvRpmPerV' && rated) return;
        const [low, high] = plausibleSpan(known);
        drawn += 1;
        const part = drawn % PARTS;
        const before = judged(less, part);
        const after = judged(withValue(less, path, low + share * (high - low)), part);
        for (const [i, one] of before.entries()) {
          const other = after[i];
          if (one.state === 'unknown' && other?.state === 'fail') turned += 1;
          if (one.state === 'pass')
            expect(other?.state, `${one.clause.source}, ${one.clause.title}, by ${path}`).not.toBe('fail');
        }
      }),
      runs(2400),
    );
    expect(turned).toBeGreaterThan(25);
    expect(drawn).toBeGreaterThanOrEqual(2000);
  }, 400_000);
});
