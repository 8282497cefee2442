import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { BuildDocument } from '../document/document.ts';
import { withLine } from '../document/purchase.ts';
import { part, type Part } from '../parts/part.ts';
import { anyBuild, priced, sample, runs, type Changes } from '../test/sample.ts';
import { evaluate } from '../test/evaluate.ts';
import type { Verdict } from './evaluate.ts';
import type { Figure, FigureId } from './figure.ts';
import { longtail, tandem, trike } from '../test/demo.ts';
import { sensitivities } from '../explore/sensitivity.ts';
import { STAGE_IDS } from '../check/stage-ids.ts';

const figure = (verdict: Verdict, id: FigureId): Figure => {
  const found = verdict.figures.find((f) => f.id === id);
  if (found === undefined) throw new Error(id);
  return found;
};

/** Paths of every number that is not finite, so that a failure names its place. */
function notFinite(value: unknown, path = ''): string[] {
  if (typeof value === 'number') return Number.isFinite(value) ? [] : [`${path}: ${String(value)}`];
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([key, inner]) => notFinite(inner, `${path}.${key}`));
}

const demo = [longtail, tandem, trike].map((build): [string, BuildDocument] => [build.name, build]);

describe('evaluate, over many builds', () => {
  it('never throws and never gives NaN', () => {
    fc.assert(
      fc.property(anyBuild, (build) => {
        const { study, ...shown } = evaluate(build);
        expect(study.build).toBe(build);
        const bad = notFinite(shown).filter(
          (path) => !/by(Grip|Lift|Force)Pct: Infinity|grades\.(dry|wet)Pct: Infinity/.test(path),
        );
        // A starting grade without a limit by grip is said as such; everything else is a number.
        expect(bad.filter((path) => !path.includes('.steps.'))).toEqual([]);
      }),
      runs(40),
    );
  });

  it('gives the same answer for the same document', () => {
    fc.assert(
      fc.property(anyBuild, (build) => {
        // As it is written out: what cannot be written, such as a bound that is not there, is looked at elsewhere.
        const told = (b: BuildDocument) => {
          const { study, ...rest } = evaluate(b);
          return JSON.stringify([rest, study.chain]);
        };
        // A build is what is kept of it: without a minus before its noughts.
        const [one, other] = [0, 1].map(() => JSON.parse(JSON.stringify(build)) as BuildDocument);
        expect(one && told(one)).toEqual(other && told(other));
      }),
      runs(12),
    );
  });

  it('shows working for every figure: formula, numbers, source', () => {
    fc.assert(
      fc.property(anyBuild, (build) => {
        for (const { id, working } of evaluate(build).figures) {
          expect(working.formulas.length, id).toBeGreaterThan(0);
          expect(working.sources.length, id).toBeGreaterThan(0);
          expect(working.inputs.length + working.steps.length, id).toBeGreaterThan(0);
          for (const row of working.inputs) {
            if (row.source === 'unknown' && typeof row.value === 'number')
              expect(row.origin, row.label).not.toBe('');
          }
        }
      }),
      runs(50),
    );
  });

  it('lists every assumption that counts', () => {
    const verdict = evaluate(sample({ brief: { headwindMs: { source: 'unknown' }, riderMassKg: 80 } }));
    const paths = verdict.assumptions.map((k) => k.path);
    expect(paths).toContain('brief.headwindMs');
    expect(paths).not.toContain('brief.riderMassKg');
    expect(paths).not.toContain('controller.powerLimitW');
  });
});

describe('energy arithmetic', () => {
  const power = (changes: Parameters<typeof sample>[0]) => evaluate(sample(changes)).power;

  it('60 V x 19.2 Ah = 1152 Wh', () => {
    expect(power({ pack: { nominalV: 60, capacityAh: 19.2 } }).energyWh).toBeCloseTo(1152, 9);
  });

  it('48 V x 19 A = 912 W, 48 V x 35 A = 1680 W', () => {
    expect(power({ pack: { nominalV: 48 }, controller: { batteryCurrentA: 19 } }).inputW).toBe(912);
    expect(power({ pack: { nominalV: 48 }, controller: { batteryCurrentA: 35 } }).inputW).toBe(1680);
  });

  it('ten lithium cells in series charge to 42.0 V', () => {
    expect(power({ pack: { cellsInSeries: 10 } }).fullV).toBeCloseTo(42, 12);
  });

  it('sags under the controller’s amps, whatever the protection carries', () => {
    const of = (batteryCurrentA: number) =>
      power({ pack: { bmsCurrentA: 10 }, controller: { batteryCurrentA, resistanceMohm: 10 } });
    const { halfV, loadedV } = of(15);
    const more = of(30);
    expect((halfV - more.loadedV) / (halfV - loadedV)).toBeCloseTo(2, 9);
  });
});

describe('a controller that is set to so many watts', () => {
  const of = (powerLimitW: number) =>
    evaluate(
      sample({
        pack: { nominalV: 48 },
        controller: { batteryCurrentA: 30, limitsPower: true, powerLimitW },
      }),
    ).power;

  it('takes no more than those, and sags by no more', () => {
    const { inputW, halfV, halfOhm, loadedV } = of(250);
    expect(inputW).toBe(250);
    // P = V I at the terminals, by hand.
    const amps = (halfV - loadedV) / halfOhm;
    expect(amps * loadedV).toBeCloseTo(250, 6);
    // Above volts times amps the amps bind.
    expect(of(5000).inputW).toBe(1440);
    expect((of(5000).halfV - of(5000).loadedV) / of(5000).halfOhm).toBeCloseTo(30, 9);
  });
});

describe('the working can be done again by hand', () => {
  it('for the hill: the forces in the steps balance', () => {
    fc.assert(
      fc.property(anyBuild, (build) => {
        const hill = figure(evaluate(build), 'hill');
        if (hill.value === undefined) return;
        const step = (symbol: string): number => {
          const row = hill.working.steps.find((s) => s.symbol === symbol);
          if (row === undefined || typeof row.value !== 'number') throw new Error(symbol);
          return row.value;
        };
        const load = step('Froll') + step('Fgrade') + step('Fair');
        expect(step('Fm') + step('Fr')).toBeCloseTo(load, 1);
        expect(step('v')).toBeCloseTo(hill.value, 9);
      }),
      runs(50),
    );
  });

  it('for the mass: the inputs add up', () => {
    const mass = figure(
      evaluate(
        sample({
          donor: { massKg: 15 },
          drive: { massKg: 4.5 },
          pack: { massKg: 3.8 },
          controller: { massKg: 1.2 },
        }),
      ),
      'mass',
    );
    expect(mass.value).toBeCloseTo(24.5, 9);
  });

  it('for the range: the far end is the whole distance less the reserve', () => {
    const verdict = evaluate(sample({ brief: { reservePct: 20 } }));
    const { cruise, plannedKm } = verdict.range;
    expect(cruise.holds && plannedKm?.high).toBeCloseTo(cruise.holds ? (cruise.metres * 0.8) / 1000 : 0, 9);
    expect(plannedKm?.low).toBeLessThan(plannedKm?.high ?? 0);
  });
});

describe('price', () => {
  const hub = priced(
    sample({ drive: { name: 'Hub' } }),
    { donor: 100, motor: 200, pack: 300, controller: 50 },
    50,
  );
  const price = (build: BuildDocument, shelf: readonly Part[] = []): Figure =>
    figure(evaluate(build, shelf), 'price');
  const within = (budget: number | null): BuildDocument => ({ ...hub, money: { ...hub.money, budget } });
  /** Every other line is in the shed. */
  const settled = (build: BuildDocument): BuildDocument =>
    evaluate(build).list.rows.reduce(
      (b, r) => (r.price === null ? withLine(b, r.key, { state: 'owned' }) : b),
      build,
    );

  it('is the total of the parts list, and is held against the budget', () => {
    expect(price(settled(within(1000)))).toMatchObject({ value: 700, words: '£700', state: 'fine' });
    expect(price(settled(within(600))).state).toBe('look');
  });

  it('is not fine while what a supplier takes for sending is not known', () => {
    const sent = withLine(settled(within(1000)), 'motor', { supplier: 'Ostler' });
    expect(price(sent)).toMatchObject({ state: 'look', condition: ['sending not known of 1'] });
    const { purchase } = sent;
    const told = { ...sent, purchase: { ...purchase, suppliers: { Ostler: { shipping: 0 } } } };
    expect(price(told).state).toBe('fine');
  });

  it('says what is missing and never counts it as nought in silence', () => {
    const missing = evaluate(hub).list.ledger.unpriced;
    expect(price(hub)).toMatchObject({
      value: 700,
      state: 'look',
      words: '£700+',
      condition: [`${String(missing)} without a price`],
    });
    expect(price(sample())).toMatchObject({ value: undefined, state: 'unknown', words: 'Not known' });
  });

  it('is a span by what the shelf has for a line that nobody has priced', () => {
    const grease = (id: string, least: number, most: number | null): Part =>
      part.parse({
        type: 'consumable',
        id,
        name: id,
        maker: 'Marl',
        price: least,
        priceTo: most,
        currency: 'GBP',
        massKg: 0.1,
        serves: ['grease'],
      });
    const open = withLine(settled(hub), 'grease', { state: 'needed' });
    const span = price(open, [grease('a', 4, null), grease('b', 6, 9)]);
    expect(span).toMatchObject({ value: 704, upTo: 709, words: '£704–709' });
    // A shelf priced in other money says nothing.
    expect(price(open, [{ ...grease('a', 4, null), currency: 'EUR' }]).words).toBe('£700+');
  });
});

describe('findings', () => {
  const codes = (build: BuildDocument): readonly string[] => evaluate(build).findings.map((f) => f.code);

  it('are none for a plain build', () => {
    expect(codes(sample())).toEqual([]);
  });

  // 74 mm at the front of small folding bicycles, 197 mm at the rear of fat ones: facts of the trade, from memory.
  it.each([
    ['front', { frontOldMm: 74 }, 74],
    ['rear', { rearOldMm: 197 }, 197],
  ] as const)(
    'take the widths between dropouts that are sold for usual: %s',
    (wheel, donor, overLocknutMm) => {
      const { findings } = evaluate(sample({ donor, drive: { wheel, overLocknutMm } }));
      expect(findings.filter((f) => f.code === 'unusual' && /Mm$/.test(f.path))).toEqual([]);
    },
  );

  it('hold a value against what is usual for its kind of motor, pack and seat', () => {
    const unusual = (changes: Changes, kind: 'geared-hub' | 'external') =>
      evaluate(sample(changes, kind)).findings.flatMap((f) => (f.code === 'unusual' ? [f.path] : []));
    // An open can of 190 rpm/V and 950 g on six cells: common practice there, and a misprint of a hub.
    const can: Changes = {
      drive: { kvRpmPerV: 190, massKg: 0.95 },
      pack: { nominalV: 22.2, cellsInSeries: 6, massKg: 1.3 },
    };
    expect(unusual(can, 'external')).toEqual([]);
    expect(unusual(can, 'geared-hub')).toEqual([
      'drive.kvRpmPerV',
      'drive.massKg',
      'packs.0.nominalV',
      'packs.0.cellsInSeries',
      'packs.0.massKg',
    ]);
    const six: Changes = { pack: { chemistry: 'lead-acid', nominalV: 72, cellsInSeries: 36, massKg: 50 } };
    expect(unusual(six, 'geared-hub')).toEqual([]);
    expect(unusual({ donor: { style: 'recumbent', cdaM2: 0.1 } }, 'geared-hub')).toEqual([]);
    expect(unusual({ donor: { style: 'diamond', cdaM2: 0.1 } }, 'geared-hub')).toEqual(['donor.cdaM2']);
  });

  it('keep an unusual value and say so', () => {
    const verdict = evaluate(sample({ brief: { riderMassKg: 300 } }));
    expect(verdict.findings[0]).toMatchObject({
      code: 'unusual',
      path: 'brief.riderMassKg',
      stage: 'brief',
      state: 'look',
    });
    expect(verdict.known.brief.riderMassKg.value).toBe(300);
  });

  it('see protection below the controller', () => {
    expect(codes(sample({ pack: { bmsCurrentA: 15 }, controller: { batteryCurrentA: 30 } }))).toContain(
      'link-bms',
    );
  });

  it('see a label and cells that disagree', () => {
    expect(codes(sample({ pack: { nominalV: 48, cellsInSeries: 10 } }))).toContain(
      'cells-do-not-make-the-volts',
    );
    expect(codes(sample({ pack: { nominalV: 48, cellsInSeries: 13 } }))).not.toContain(
      'cells-do-not-make-the-volts',
    );
  });

  it('stop at a cut-off that belongs to another pack', () => {
    const verdict = evaluate(
      sample({ pack: { nominalV: 52, cellsInSeries: 14 }, controller: { lowVoltageCutoffV: 31 } }),
    );
    expect(verdict.findings).toContainEqual(
      expect.objectContaining({ code: 'check-cutoff-cells', state: 'stop' }),
    );
  });

  it('stop where nothing tells the motor to run', () => {
    const build = sample({ controls: { assistSensor: 'none', throttle: 'none' } });
    expect(codes(build)).toContain('no-control');
    expect(evaluate(build).hill.climb).toMatchObject({ climbs: false, limit: 'no-motor' });
  });

  it('miss a held cog that is not on the wheel', () => {
    expect(codes(sample({ gearing: { cogTeeth: [28, 14], heldCogTeeth: 20 } }))).toContain(
      'held-cog-missing',
    );
  });
});

describe('stages', () => {
  it('count checks that wait for what another stage asks: unknown never reads as fine', () => {
    // Every measure of the bicycle is there; the mass of the motor is not.
    const build = { ...trike, drive: { ...trike.drive, massKg: { source: 'unknown' as const } } };
    const donorOf = (b: BuildDocument) => evaluate(b).stages.find(({ id }) => id === 'donor');
    expect(donorOf(trike)).toMatchObject({ state: 'fine', words: 'all known' });
    expect(donorOf(build)).toMatchObject({ state: 'unknown', words: '1 to wait for' });
  });

  it('never say that nothing is to be checked where the law is to be looked at', () => {
    const inOregon = { ...trike, brief: { ...trike.brief, place: 'us-or' } };
    const { stages, figures } = evaluate(inOregon);
    expect(stages.find(({ id }) => id === 'law')?.words).not.toMatch(/\b0 to/);
    expect(JSON.stringify(figures.find(({ id }) => id === 'class'))).not.toMatch(/\b0 to check/);
  });

  it('stand in working order, each with words', () => {
    const { stages } = evaluate(sample());
    expect(stages.map((s) => s.id)).toEqual(STAGE_IDS);
    for (const stage of stages) expect(stage.words).not.toBe('');
  });

  it('count what is unknown', () => {
    const donor = evaluate(sample()).stages.find((s) => s.id === 'donor');
    expect(donor).toMatchObject({ state: 'unknown' });
    expect(donor?.words).toMatch(/^\d\d unknown$/);
  });
});

/** The longtail's motor carries an unclear label, and nobody has measured the tandem's slot or read every setting. */
const OPEN_ON_PURPOSE: readonly string[] = [
  'drive.ratedPowerW',
  'donor.slotWidthMm',
  'controller.setRolloutMm',
  'controls.labelSpeedKmh',
  'controls.labelPowerW',
];

describe('the demo builds', () => {
  it.each(demo)('%s is complete: every quantity that its physics needs is known', (_name, build) => {
    const verdict = evaluate(build);
    // What moves a speed or the range, and what a check of fit or power waits for.
    const moves = sensitivities(build).filter((s) => s.topKmh + s.hillKmh + s.rangeKm > 0);
    const open = [
      ...moves.flatMap(({ known }) => (known.source === 'unknown' ? [known.path] : [])),
      ...[...verdict.fit.checks, ...verdict.power.checks].flatMap((c) => c.missing),
    ];
    expect(open.filter((path) => !OPEN_ON_PURPOSE.includes(path))).toEqual([]);
    // That the longtail and the tandem climb for minutes only is part of their story.
    const told = (code: string): boolean => code.startsWith('check-') || code === 'climbs-for-minutes';
    expect(verdict.findings.filter((f) => f.state === 'stop' || !told(f.code))).toEqual([]);
    expect(verdict.hill.climb.climbs).toBe(true);
    expect(verdict.range.cruise.holds).toBe(true);
  });

  it.each(demo)('%s has plausible figures for its kind', (_name, build) => {
    const verdict = evaluate(build);
    const top = figure(verdict, 'top-speed').value ?? 0;
    const hill = figure(verdict, 'hill').value ?? 0;
    const energy = figure(verdict, 'consumption');
    expect(top).toBeGreaterThan(18);
    expect(top).toBeLessThan(32);
    expect(hill).toBeGreaterThan(5);
    expect(hill).toBeLessThan(top);
    // Laden machines at 15 to 23 km/h: 4 to 25 Wh/km (common practice); the trike's cold tyres at 3 C take the last.
    expect(energy.value).toBeGreaterThan(3);
    expect(energy.upTo).toBeLessThan(26);
  });

  it('are a hub, a mid-drive and a direct-drive hub, marked as samples', () => {
    expect(new Set(demo.map(([, build]) => build.drive.kind)).size).toBe(3);
    expect(demo.every(([, build]) => build.sample)).toBe(true);
  });
});
