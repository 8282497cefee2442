import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import shelfFile from '../../../../demo/parts.json' with { type: 'json' };
import type { BuildDocument } from '../../document/document.ts';
import { knownBuild } from '../../document/known.ts';
import { shippedRules } from '../../law/rules.ts';
import { assemble } from '../../machine/assemble.ts';
import { supplyAt } from '../../machine/battery.ts';
import type { Machine } from '../../machine/machine.ts';
import { part, type Part } from '../../parts/part.ts';
import { courier, longtail, tourer } from '../../test/demo.ts';
import { ended } from '../../test/ended.ts';
import { runs } from '../../test/sample.ts';
import { STATED_CHARGE } from '../../ride/stated.ts';
import { study } from '../../verdict/study.ts';
import { headlines } from '../compare.ts';
import { usualAsked, type SearchAsked } from './asked.ts';
import { buildOf, finalistsOf, judgeFor, judgeWhole } from './finalists.ts';
import { dominates, lessIsBetter } from './front.ts';
import { gridOf } from './grid.ts';
import { patched, regeared, towedRolling } from './patch.ts';
import { wouldLet } from './would-let.ts';
import type { Candidate } from './candidate.ts';
import { askedOf, holds } from './coarse.ts';
import { searchShelf, type SearchOutcome } from './search.ts';
import { summed } from './tally.ts';

const shelf = shelfFile.map((file) => part.parse(file));
const book = shippedRules();

const searched = (build: BuildDocument, parts: readonly Part[], asked: SearchAsked): SearchOutcome =>
  ended(searchShelf(build, parts, book, asked));

const ALL_FREE = { motor: true, pack: true, controller: true, gearing: true, tyre: true } as const;
const asking = (
  build: BuildDocument,
  more: Partial<SearchAsked['held']> = {},
  goals: SearchAsked['goals'] = ['price', 'hill'],
): SearchAsked => {
  const usual = usualAsked(build);
  return { free: ALL_FREE, held: { ...usual.held, ...more }, goals };
};

/** Some parts of each kind, as they are drawn. */
const smallShelf = fc
  .record({
    motor: fc.subarray(
      shelf.filter((p) => p.type === 'motor'),
      { minLength: 1, maxLength: 2 },
    ),
    pack: fc.subarray(
      shelf.filter((p) => p.type === 'pack'),
      { minLength: 2, maxLength: 3 },
    ),
    controller: fc.subarray(
      shelf.filter((p) => p.type === 'controller'),
      { minLength: 2, maxLength: 3 },
    ),
    ring: fc.subarray(
      shelf.filter((p) => p.type === 'ring'),
      { minLength: 1, maxLength: 2 },
    ),
    cogs: fc.subarray(
      shelf.filter((p) => p.type === 'cogs'),
      { minLength: 1, maxLength: 2 },
    ),
    tyre: fc.subarray(
      shelf.filter((p) => p.type === 'tyre' && p.beadMm === 559),
      { minLength: 1, maxLength: 2 },
    ),
  })
  .map((parts): readonly Part[] => [
    ...Object.values(parts).flat(),
    ...shelf.filter((p) => p.type === 'charger'),
  ]);

const drawnAsked = fc.record({
  lawful: fc.constantFrom(true, false, false),
  fits: fc.boolean(),
  hillKmh: fc.option(fc.double({ min: 4, max: 22, noNaN: true }), { freq: 1 }),
  rangeKm: fc.option(fc.double({ min: 10, max: 70, noNaN: true }), { freq: 1 }),
  hottestC: fc.option(fc.double({ min: 50, max: 160, noNaN: true }), { freq: 1 }),
  price: fc.option(fc.double({ min: 900, max: 2600, noNaN: true }), { freq: 1 }),
  massKg: fc.option(fc.double({ min: 33, max: 48, noNaN: true }), { freq: 1 }),
});

/** What the search does, without one bound, one patch or one rest: every combination is put together and judged whole. */
function byForce(build: BuildDocument, parts: readonly Part[], asked: SearchAsked): readonly Candidate[] {
  const grid = gridOf(build, parts, book, asked);
  const wants = askedOf(asked.held, knownBuild(build));
  const judge = judgeFor(build, parts);
  const stand: Candidate[] = [];
  grid.motors.forEach((m, motor) => {
    m.geared.forEach((g, geared) => {
      grid.pairs.forEach((p, pair) => {
        const price = grid.rest + m.price + g.price + p.price;
        const { held } = asked;
        if (!m.letIn || p.why !== undefined) return;
        if (held.price !== null && price > held.price) return;
        const one = buildOf(grid, { motor, geared, pair });
        const s = study(one);
        const supply = supplyAt(s.machine.pack, STATED_CHARGE);
        if (wants.hillV !== undefined && !holds(s.machine, supply, wants.hillV, wants.gradePct)) return;
        const { hillKmh, plannedKm, massKg } = headlines(s);
        const rangeKm = plannedKm?.low ?? 0;
        if (held.massKg !== null && massKg > held.massKg) return;
        if (held.rangeKm !== null && rangeKm < held.rangeKm) return;
        if (judgeWhole(judge, one, asked, book).why !== undefined) return;
        stand.push({ motor, geared, pair, price, massKg, hillKmh, rangeKm });
      });
    });
  });
  const goals = stand.map((c) => lessIsBetter(asked.goals, c));
  return stand.filter((_, i) => !goals.some((g) => dominates(g, goals[i] ?? [])));
}

const at = ({ motor, geared, pair }: Candidate): string =>
  `${String(motor)}/${String(geared)}/${String(pair)}`;

describe('a finalist', () => {
  it('comes to the top of the hill: what its heat holds back until it stands is refused for it', () => {
    const asked = { ...asking(longtail), free: { ...ALL_FREE, gearing: false, tyre: false } };
    const grid = gridOf(longtail, shelf, book, asked);
    const judge = judgeFor(longtail, shelf);
    const rides = searched(longtail, shelf, asked).standing.map((c) => {
      const one = buildOf(grid, c);
      return { ride: study(one).hillRide, why: judgeWhole(judge, one, asked, book).why };
    });
    // Held back at 100 degrees, and no hotter than what is asked: such a motor stands on the way.
    const held = rides.filter(({ ride }) => ride?.ends === 'stalled' && ride.hottestC <= 120);
    expect(held.length).toBeGreaterThan(0);
    for (const { why } of held) expect(why).toBe('heat');
  });

  it('says how much of it cannot be told yet: what nobody has read of the power chain as well', () => {
    const asked = { ...asking(courier), free: { ...ALL_FREE, gearing: false, tyre: false } };
    const unread: BuildDocument = {
      ...courier,
      cabling: { ...courier.cabling, connectorA: { source: 'unknown' } },
    };
    const front = (build: BuildDocument) =>
      ended(finalistsOf(build, shelf, book, asked, searched(build, shelf, asked).standing)).finalists;
    const [known] = front(courier);
    const [open] = front(unread);
    expect(known).toBeDefined();
    expect(open?.waits).toBeGreaterThan(known?.waits ?? Infinity);
  });
});

describe('a search of the shelf', () => {
  it('finds what force finds over whole verdicts, on 200 drawn shelves', () => {
    let found = 0;
    fc.assert(
      fc.property(
        smallShelf,
        drawnAsked,
        fc.constantFrom<SearchAsked['goals']>(
          ['price', 'hill'],
          ['price', 'range'],
          ['price', 'hill', 'mass'],
        ),
        (parts, held, goals) => {
          const asked: SearchAsked = { free: ALL_FREE, held, goals };
          const coarse = searched(longtail, parts, asked);
          const { finalists } = ended(finalistsOf(longtail, parts, book, asked, coarse.standing));
          const forced = byForce(longtail, parts, asked);
          found += forced.length;
          expect(finalists.map(at).sort()).toEqual(forced.map(at).sort());
          for (const one of finalists) {
            const same = forced.find((f) => at(f) === at(one));
            expect(one.hillKmh ?? 0).toBeCloseTo(same?.hillKmh ?? 0, 6);
            if (goals.includes('range')) expect(one.rangeKm).toBeCloseTo(same?.rangeKm ?? 0, 6);
          }
        },
      ),
      { ...runs(200), seed: 20 },
    );
    // The draw is worth something: not all of them were empty.
    expect(found).toBeGreaterThan(60);
  }, 300_000);

  it('counts every combination once', () => {
    const outcome = searched(longtail, shelf, asking(longtail));
    const { looked, stand, refused } = outcome.counts;
    expect(looked).toBe(gridOf(longtail, shelf, book, asking(longtail)).size);
    expect(looked).toBe(outcome.of);
    expect(stand + Object.values(refused).reduce((a, b) => a + b, 0)).toBe(looked);
    expect(outcome.standing).toHaveLength(stand);
  });

  it('is the same in two shares', () => {
    const asked = asking(tourer);
    const whole = searched(tourer, shelf, asked);
    const shares = [0, 1].map((nth) => ended(searchShelf(tourer, shelf, book, asked, { of: 2, nth })));
    expect(summed(shares.map((s) => s.counts))).toEqual(whole.counts);
    expect(shares.flatMap((s) => s.standing.map(at)).sort()).toEqual(whole.standing.map(at).sort());
  });

  it('lets more stand the less is asked', () => {
    const base = asking(longtail, { price: 1600, hillKmh: 12 });
    const count = (more: Partial<SearchAsked['held']>): number =>
      searched(longtail, shelf, { ...base, held: { ...base.held, ...more } }).counts.stand;
    const now = count({});
    expect(count({ price: 1800 })).toBeGreaterThanOrEqual(now);
    expect(count({ hillKmh: 8 })).toBeGreaterThanOrEqual(now);
    expect(count({ lawful: false })).toBeGreaterThanOrEqual(now);
    expect(count({ price: 10 })).toBe(0);
  });
});

describe('what would let more stand', () => {
  it('says how many each constraint alone keeps out, and that a search with it loosened finds them', () => {
    const usual = asking(longtail, { lawful: false, price: 1500, hillKmh: 14 });
    const asked: SearchAsked = { ...usual, free: { ...usual.free, gearing: false, tyre: false } };
    const lets = ended(wouldLet(longtail, shelf, book, asked));
    const now = searched(longtail, shelf, asked).counts.stand;
    const stand = (more: Partial<SearchAsked['held']>): number =>
      searched(longtail, shelf, { ...asked, held: { ...asked.held, ...more } }).counts.stand;
    const money = lets.find((l) => l.what === 'price');
    expect(money?.more).toBe(stand({ price: null }) - now);
    expect(stand({ price: 1500 + (money?.by ?? 0) }) - now).toBe(money?.first);
    const slower = lets.find((l) => l.what === 'hillKmh');
    expect(slower?.more).toBe(stand({ hillKmh: null }) - now);
    expect(lets.map((l) => l.what)).not.toContain('massKg');
    expect(lets.map((l) => l.what)).not.toContain('lawful');
  });
});

/** Everything of a machine that is worked with; where its weight sits is not patched. */
const plain = (machine: Machine): unknown => JSON.parse(JSON.stringify({ ...machine, balance: undefined }));

/** Numbers that agree to twelve places are the same. */
function alike(a: unknown, b: unknown, path = ''): void {
  if (typeof a === 'number' && typeof b === 'number') {
    expect(Math.abs(a - b), path).toBeLessThanOrEqual(1e-12 * Math.max(1, Math.abs(a)));
    return;
  }
  if (typeof a === 'object' && a !== null && typeof b === 'object' && b !== null) {
    expect(Object.keys(b).sort(), path).toEqual(Object.keys(a).sort());
    for (const key of Object.keys(a))
      alike((a as Record<string, unknown>)[key], (b as Record<string, unknown>)[key], `${path}.${key}`);
    return;
  }
  expect(b, path).toEqual(a);
}

describe('a machine put together of two', () => {
  it('is the assembled one, of any motor, pair, tyre, ring and cogs, with a trailer or without', () => {
    const trailer: BuildDocument = { ...longtail, brief: { ...longtail.brief, trailer: 'child' } };
    // A donor that was electric already is weighed with the motor that it keeps.
    const kept: BuildDocument = { ...tourer, donor: { ...tourer.donor, keeps: ['motor', 'controller'] } };
    for (const build of [longtail, tourer, courier, trailer, kept]) {
      const asked = asking(build, { lawful: false });
      const grid = gridOf(build, shelf, book, asked);
      const towed = towedRolling(build, knownBuild(build));
      let n = 0;
      for (let motor = 0; motor < grid.motors.length; motor += 1)
        for (let k = 0; k < 4; k += 1) {
          n += 7;
          const count = grid.motors[motor]?.geared.length ?? 1;
          const place = { motor, geared: (3 * n) % count, pair: (5 * n) % grid.pairs.length };
          const geared = assemble(buildOf(grid, { ...place, pair: n % grid.pairs.length }));
          const paired = assemble(buildOf(grid, { ...place, geared: n % count }));
          alike(
            plain(assemble(buildOf(grid, place))),
            plain(patched(paired, geared, regeared(paired, geared), towed)),
          );
        }
    }
  });
});
