import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { chargerWords } from './charger-words.ts';
import { formatQuantity } from '../quantity/format.ts';
import { phraseText } from '../quantity/phrase.ts';
import { study } from '../verdict/study.ts';
import { CHEMISTRIES } from '../document/chemistries.ts';
import { chemistry } from '../document/choices.ts';
import { knownBuild } from '../document/known.ts';
import { withQuantity } from '../document/quantity-at.ts';
import { wholeCapacityAh, fullChargeVolts, peukertFactor, supplyAt, type Pack } from '../machine/battery.ts';
import { chargePlan, packCard } from './charge-plan.ts';
import { solved } from '../test/ode.ts';
import { RUNS, sample, type Changes } from '../test/sample.ts';
import { chargeRun } from './charging.ts';
import { readings } from './expectations.ts';
import { BARS, barsAt, misleads, restingCard } from './resting-card.ts';

const pack = (rest: Partial<Pack> = {}): Pack => ({
  chemistry: 'nmc',
  cellsInSeries: 13,
  capacityAh: 17.5,
  health: 1,
  wiringOhm: 0.02,
  temperatureC: 25,
  ...rest,
});
const full = (p: Pack, amps: number) => ({ volts: fullChargeVolts(p), amps, efficiency: 0.9 });

// End of charge, volts: common practice, as on every charger's label.
it.each([
  ['nmc', 10, 42.0],
  ['nmc', 13, 54.6],
  ['nmc', 14, 58.8],
  ['nmc', 16, 67.2],
  ['nmc', 20, 84.0],
  ['lmo', 10, 42.0],
  ['lfp', 16, 58.4],
  ['lead-acid', 24, 57.6],
] as const)('a charger for %s, %i in series, ends at %f V', (kind, cellsInSeries, volts) => {
  expect(fullChargeVolts(pack({ chemistry: kind, cellsInSeries }))).toBeCloseTo(volts, 9);
});

const open = { source: 'unknown' } as const;

describe('a charge', () => {
  it('takes amp-hours over amps as long as the current is constant: 8.75 Ah at 2 A, 4.375 h (by hand)', () => {
    const run = chargeRun(pack(), full(pack(), 2), 0.2, 0.7);
    expect(run.arrives && run.hours).toBeCloseTo(4.375, 9);
    expect(run.arrives && run.ah).toBeCloseTo(8.75, 9);
    expect(run.arrives && run.taperFrom).toBe(0.7);
  });

  it('falls off above about nine tenths at half an amp per amp-hour (common practice)', () => {
    const run = chargeRun(pack(), full(pack(), 8.75), 0, 1);
    if (!run.arrives) throw new Error('does not arrive');
    expect(run.taperFrom).toBeGreaterThan(0.8);
    expect(run.taperFrom).toBeLessThan(0.95);
    // The taper costs time: more than the two hours that amps alone would take, less than four.
    expect(run.hours).toBeGreaterThan(2);
    expect(run.hours).toBeLessThan(4);
  });

  it('of sealed lead-acid takes all night: 8 to 12 h at a sixth of its amp-hours (common practice)', () => {
    const lead = pack({ chemistry: 'lead-acid', cellsInSeries: 24, capacityAh: 20 });
    const run = chargeRun(lead, full(lead, 3.3), 0, 1);
    expect(run.arrives && run.hours).toBeGreaterThan(8);
    expect(run.arrives && run.hours).toBeLessThan(13);
  });

  it('takes more from the wall than it puts into the pack, by the efficiency', () => {
    const run = chargeRun(pack(), full(pack(), 2), 0, 0.85);
    expect(run.arrives && run.wallWh / run.packWh).toBeCloseTo(1 / 0.9, 9);
    // 0.85 x 17.5 Ah at about 48 V.
    expect(run.arrives && run.packWh).toBeGreaterThan(640);
    expect(run.arrives && run.packWh).toBeLessThan(760);
  });

  // odex (see test/ode.ts): dt/dq = Q / I(q), the same physics without our steps.
  it.each(['nmc', 'lfp'] as const)('of %s takes as long as a general-purpose solver finds', async (kind) => {
    const p = pack({ chemistry: kind, cellsInSeries: kind === 'nmc' ? 13 : 15 });
    const charger = full(p, 9);
    const run = chargeRun(p, charger, 0.1, 0.95);
    const hoursPerCharge = (q: number): number[] => {
      const { openVolts, ohm } = supplyAt(p, q);
      // Ions lag: two and a half times the resistance on charge (from memory, as in the code).
      return [wholeCapacityAh(p) / Math.min(charger.amps, (charger.volts - openVolts) / (2.5 * ohm))];
    };
    const [hours = NaN] = await solved(hoursPerCharge, 0.1, [0], 0.95);
    // Two hundred equal steps by their middles: within a thousandth.
    expect(run.arrives && Math.abs(run.hours / hours - 1)).toBeLessThan(1e-3);
  });

  it('with too few volts ends early and says where', () => {
    const run = chargeRun(pack(), { volts: 50, amps: 2, efficiency: 0.9 }, 0, 1);
    expect(run.arrives).toBe(false);
    // 50 V rest on 13 cells are 3.85 V each: about two thirds.
    if (!run.arrives) expect(run.endsAt ?? 0).toBeGreaterThan(0.55);
    if (!run.arrives) expect(run.endsAt).toBeLessThan(0.72);
  });

  it('never runs with a charger that does not end: no hours are told that nobody may charge for', () => {
    // Fourteen cells' charger on thirteen.
    expect(chargeRun(pack(), { volts: 58.8, amps: 2, efficiency: 0.9 }, 0, 1)).toEqual({
      arrives: false,
      endsAt: undefined,
    });
  });

  it('never gets shorter for a larger pack or a smaller charger', () => {
    const amps = fc.double({ min: 0.5, max: 20, noNaN: true });
    fc.assert(
      fc.property(fc.constantFrom(...chemistry.options), amps, amps, (kind, a, more) => {
        const p = pack({ chemistry: kind });
        const hours = (q: Pack, amp: number): number => {
          const run = chargeRun(q, full(q, amp), 0, 0.85);
          return run.arrives ? run.hours : Infinity;
        };
        expect(hours(p, a + more)).toBeLessThanOrEqual(hours(p, a) + 1e-9);
        expect(hours({ ...p, capacityAh: 17.5 + more }, a)).toBeGreaterThanOrEqual(hours(p, a) - 1e-9);
      }),
      RUNS,
    );
  });
});

describe('Peukert’s law', () => {
  // Peukert 1897, t = H (C / (I H))^k: 20 Ah on the 20 h rate, k 1.2, at 5 A: 20 (20 / 100)^1.2 = 2.90 h.
  it('gives 2.90 h of 5 A from 20 Ah of lead-acid (hand-worked)', () => {
    const lead = pack({ chemistry: 'lead-acid', cellsInSeries: 24, capacityAh: 20 });
    expect(20 / 5 / peukertFactor(lead, 5)).toBeCloseTo(20 * Math.pow(0.2, 1.2), 9);
    expect(20 / 5 / peukertFactor(lead, 5)).toBeCloseTo(2.9, 2);
  });
});

describe('the card of resting volts', () => {
  // Common practice: a lithium cell resting at 3.79 V is at about 60 %.
  it('has 3.79 V a cell at roughly 60 %', () => {
    const at = [...Array(101).keys()].find(
      (i) => supplyAt(pack({ cellsInSeries: 1 }), i / 100).openVolts >= 3.79,
    );
    expect(at).toBeGreaterThanOrEqual(56);
    expect(at).toBeLessThanOrEqual(65);
  });

  it.each(chemistry.options)('of %s falls with the charge, and sags under load', (kind) => {
    const p = pack({ chemistry: kind });
    const rows = restingCard(p, 40, fullChargeVolts(p), 15);
    for (const [i, row] of rows.entries()) {
      const next = rows[i + 1];
      if (next !== undefined) expect(next.restV).toBeLessThan(row.restV);
      expect(row.loadedV).toBeLessThan(row.restV);
      expect(row.barsLoaded).toBeLessThanOrEqual(row.barsAtRest);
    }
    expect(rows[0]?.cellV).toBeLessThan(CHEMISTRIES[kind].fullV);
  });

  it('shows all bars full, none at the cut-off', () => {
    expect(barsAt(54.6, 40, 54.6)).toBe(BARS);
    expect(barsAt(40, 40, 54.6)).toBe(0);
    expect(barsAt(47.3, 40, 54.6)).toBe(3);
  });

  it('of iron phosphate warns: its volts hardly move between the ends', () => {
    const p = pack({ chemistry: 'lfp', cellsInSeries: 15 });
    expect(misleads(restingCard(p, 40, fullChargeVolts(p), 15))).toBeDefined();
  });
});

describe('what the meter should show', () => {
  // Common practice: four 12 V blocks at rest 48 to 52.5 V; 0 V beyond an open breaker.
  it('is 48 to 52.5 V for four lead-acid blocks, and nothing beyond the open breaker', () => {
    const build = sample({
      pack: { chemistry: 'lead-acid', nominalV: 48, cellsInSeries: 24 },
      cabling: { protection: 'breaker' },
    });
    const by = (where: string) => readings(build).find((r) => r.where === where);
    expect(by('the pack at rest')).toMatchObject({ lowV: 48, highV: 52.5 });
    expect(by('beyond the breaker, on')).toMatchObject({ lowV: 48, highV: 52.5 });
    expect(by('beyond the breaker, off')?.lowV).toBe(0);
    expect(by('beyond the breaker, off')?.highV).toBeLessThan(0.5);
    expect(by('each 12 V block at rest')).toMatchObject({ lowV: 12, highV: 12.9 });
  });

  it('says of its pack’s volts what they are told by, and of the cut-off that nobody has read', () => {
    const card = (pack: NonNullable<Changes['pack']>, controller: NonNullable<Changes['controller']> = {}) =>
      packCard(sample({ pack, controller }));
    expect(card({ cellsInSeries: 13 }, { lowVoltageCutoffV: 39 })).toMatchObject({
      by: 'cells',
      cutoffRead: true,
    });
    expect(card({ cellsInSeries: open, nominalV: 36 })).toMatchObject({ by: 'label', cutoffRead: false });
    expect(card({ cellsInSeries: open, nominalV: open })).toMatchObject({ by: 'nothing' });
  });

  it('says what it is told by: cells that were counted, the label alone, or nothing at all', () => {
    const at = (pack: NonNullable<Changes['pack']>) =>
      readings(sample({ pack, cabling: { protection: 'fuse' } })).map((r) => `${r.where}: ${r.by}`);
    expect(at({ cellsInSeries: 13 })).toContain('the pack at rest: cells');
    expect(at({ cellsInSeries: open, nominalV: 36 })).toContain('the pack at rest: label');
    expect(at({ cellsInSeries: open, nominalV: open })).toContain('the pack at rest: nothing');
    expect(at({ cellsInSeries: open, nominalV: open })).toContain('beyond the fuse, put in: nothing');
  });
});

describe('habits', () => {
  it('go shorter the less of the pack they use, and cost less a charge', () => {
    const base = sample({ charger: { volts: 54.6, currentA: 3 }, pack: { cellsInSeries: 13 } });
    const { habits } = chargePlan({ ...base, money: { ...base.money, pricePerKwh: 0.3 } });
    const [whole, most, middle] = habits;
    expect(most?.km?.high).toBeLessThan(whole?.km?.high ?? 0);
    expect(middle?.km?.high).toBeLessThan(most?.km?.high ?? 0);
    expect(middle?.cost).toBeLessThan(whole?.cost ?? 0);
    // 13 Ah, 48 V: about 0.6 kWh, at 0.88 and 0.30 a kilowatt-hour some 20 in the hundredth.
    expect(whole?.cost).toBeGreaterThan(0.15);
    expect(whole?.cost).toBeLessThan(0.28);
  });
});

describe('the words of the charge card', () => {
  const words = (changes: Parameters<typeof sample>[0]) => {
    const build = sample(changes);
    return phraseText(chargerWords(build, knownBuild(build), 0));
  };
  it('name the charger of the plan, else one that ends where the cells do, and none where nobody has counted them', () => {
    const pack = { cellsInSeries: 13 };
    expect(words({ pack, charger: { volts: 54.6 } })).toMatch(
      /^13 in series, .*Charger: 54\.6.V, never another\.$/,
    );
    expect(words({ pack, charger: { volts: { source: 'unknown' } } })).toMatch(
      /Charger: one that ends at 54\.6.V/,
    );
    // Three 12 V blocks: 2.25 to 2.45 V a cell.
    expect(
      words({
        pack: { chemistry: 'lead-acid', cellsInSeries: 18 },
        charger: { volts: { source: 'unknown' } },
      }),
    ).toMatch(/one that ends between 40\.5.V and 44\.1.V/);
    // The card is not to send anybody to a charger that sets the pack on fire.
    const wrong = words({ pack, charger: { volts: 58.8 } });
    expect(wrong).toMatch(/Not with its charger of 58\.8.V, which overcharges it: one that ends at 54\.6.V/);
    expect(words({ pack: { ...pack, chargeLimitPct: 85 }, charger: { volts: 52.5 } })).toMatch(
      /Charger: 52\.5.V, never another\.$/,
    );
    expect(words({ pack, charger: { volts: 50 } })).toMatch(/charger of 50\.0.V does not fill it/);
    expect(words({ pack: { cellsInSeries: { source: 'unknown' } }, charger: { volts: 54.6 } })).toMatch(
      /nothing is charged before the cells are counted/,
    );
    const uncounted = words({
      pack: { cellsInSeries: { source: 'unknown' } },
      charger: { volts: { source: 'unknown' } },
    });
    expect(uncounted).toMatch(/^Cells in series not known.*nothing is charged before the cells are counted/);
    expect(uncounted).not.toMatch(/\d\d/);
  });
});

it('tells by how little a charger misses, not that nothing is outside of what it is within', () => {
  // 58.8 V, as for fourteen of the usual cells, on sixteen of iron phosphate: 58.4 V and six tenths of a percent are 58.75 V.
  const bare = sample({ pack: { chemistry: 'lfp', cellsInSeries: 16 } });
  const near = withQuantity(bare, 'packs.0.charger.volts', { source: 'label', value: 58.8 });
  const check = study(near).powerChecks.find((c) => c.id === 'charger-volts');
  if (check === undefined) throw new Error('no check of the charger');
  expect(check.state).toBe('stop');
  expect(phraseText(check.limit)).toMatch(/58\.75/);
  expect(formatQuantity(check.value ?? 0, check.unit, check.digits)).toMatch(/^0\.05\sV/);
});

it('says what lead-acid wants more where it is charged in the cold: 4 mV a kelvin a cell below 25 °C (common practice)', () => {
  const why = (chemistry: 'lead-acid' | 'lfp', startC: number): string => {
    const blocks = sample({ pack: { chemistry, cellsInSeries: 24, startC } });
    const bare = withQuantity(blocks, 'packs.0.charger.volts', { source: 'label', value: 58.8 });
    return phraseText(study(bare).powerChecks.find((c) => c.id === 'charger-volts')?.why ?? []);
  };
  // 25 degrees, 24 cells: 0.004 x 25 x 24 = 2.4 V above the 58.8 V of absorption (worked by hand).
  expect(why('lead-acid', 0)).toMatch(/2\.4\sV more, up to 61\.2\sV/);
  expect(why('lead-acid', 25)).not.toMatch(/more/);
  expect(why('lfp', 0)).not.toMatch(/more/);
});
