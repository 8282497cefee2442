import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Check } from '../check/check.ts';
import type { BuildDocument, QuantityPath } from '../document/document.ts';
import { knownBuild, knownInUse } from '../document/known.ts';
import { knownAt, withQuantity } from '../document/quantity-at.ts';
import { sameLink } from '../power-chain/link.ts';
import { evaluate } from '../test/evaluate.ts';
import { anyBuild, runs } from '../test/sample.ts';

const checksOf = (build: BuildDocument): readonly Check[] => {
  const { fit, power } = evaluate(build);
  return [...fit.checks, ...power.checks];
};
const forgotten = (build: BuildDocument, path: QuantityPath): BuildDocument =>
  withQuantity(build, path, { source: 'unknown' });

/** Looked at only once one of their values is known: what nobody has read is not asked for on every machine. */
const ONCE_KNOWN = /^(rotor-size|cutoff-order)/;

describe('a value that becomes unknown', () => {
  it('turns no check of fit or of the power chain fine, and makes none go away that asked for something', () => {
    fc.assert(
      fc.property(anyBuild, fc.nat(), (build, pick) => {
        const entered = knownInUse(build, knownBuild(build)).filter((k) => k.source === 'assumed');
        const one = entered[pick % Math.max(1, entered.length)];
        if (one === undefined) return;
        const less = forgotten(build, one.path);
        // What is worked out of other entered values is not unknown.
        if (knownAt(knownBuild(less), one.path).source === 'worked') return;
        const [before, after] = [checksOf(build), checksOf(less)];
        for (const check of before) {
          if (check.state === 'fine' || !check.inputs.includes(one.path)) continue;
          const now = after.find((c) => c.id === check.id);
          const where = `${check.id} by ${one.path}`;
          if (now !== undefined) expect(now.state, where).not.toBe('fine');
          // One check may take the place of another, as of a hub too narrow that of a hub whose width nobody knows.
          else if (!ONCE_KNOWN.test(check.id))
            expect(
              after.some((c) => c.group === check.group && c.missing.includes(one.path)),
              where,
            ).toBe(true);
        }
      }),
      runs(250),
    );
  });

  it('turns no link of the current’s chain fine', () => {
    fc.assert(
      fc.property(anyBuild, fc.nat(), (build, pick) => {
        const entered = knownInUse(build, knownBuild(build)).filter((k) => k.source === 'assumed');
        const one = entered[pick % Math.max(1, entered.length)];
        if (one === undefined) return;
        const links = (b: BuildDocument) => evaluate(b).power.chain.links;
        const after = links(forgotten(build, one.path));
        for (const link of links(build)) {
          if (link.state === 'fine' || link.inputs.every((k) => k.path !== one.path)) continue;
          const now = after.find((l) => sameLink(l, link));
          expect(now?.state, `${link.id} by ${one.path}`).not.toBe('fine');
          expect(now, `${link.id} by ${one.path}`).toBeDefined();
        }
      }),
      runs(120),
    );
  });
});

describe('every figure of every drawn build', () => {
  it('is a finite number or a word, with what bound it named', () => {
    fc.assert(
      fc.property(anyBuild, (build) => {
        const { figures, hill, range, known } = evaluate(build);
        for (const figure of figures) {
          if (figure.value === undefined) expect(figure.words ?? '', figure.id).not.toBe('');
          else expect(Number.isFinite(figure.value), figure.id).toBe(true);
        }
        expect(hill.climb.climbs ? hill.climb.limit : 'stalls').not.toBe('');
        expect(range.cruise.holds ? range.cruise.ends : range.cruise.limit).not.toBe('');
        expect(known).toBeDefined();
      }),
      runs(60),
    );
  });
});
