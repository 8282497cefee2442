import { describe, expect, it } from 'vitest';
import { phraseText } from '../../quantity/phrase.ts';
import { newBuild } from '../../document/template.ts';
import { paidBack, runningCosts, type InUse } from './running-costs.ts';
import { againstReadyMade } from './ready-made.ts';
import { exactly } from './span.ts';

const { running, readyMade } = newBuild('Any');
/** 10 Wh/km exactly, charger of 80 %, 0.30 a kWh; pack of 500 Wh for 400, 500 cycles. */
const use: InUse = {
  running: { ...running, packCycles: 500 },
  pricePerKwh: 0.3,
  whPerKm: exactly(10),
  chargerEfficiency: 0.8,
  chemistry: 'nmc',
  packWh: 500,
  chargeLimitPct: 100,
  packPrice: exactly(400),
  drive: 'geared-hub',
  wheelCount: 2,
  brakes: 2,
  likelyPrice: () => undefined,
};
const line = (costs: ReturnType<typeof runningCosts>, id: string) => costs.lines.find((l) => l.id === id);

describe('the costs of running (by hand)', () => {
  it('are energy from the wall, and the pack worn down to 80 %', () => {
    const costs = runningCosts(use);
    // 10 Wh/km over 0.8 is 12.5 from the wall: 1250 Wh for 100 km, 0.375 of money; 500 cycles of 500 Wh at nine tenths are 22,500 km.
    expect(costs.wallWhPerKm).toEqual(exactly(12.5));
    expect(line(costs, 'energy')?.perKm?.least).toBeCloseTo(0.00375, 9);
    expect(costs.packKm?.least).toBeCloseTo(22_500, 6);
    expect(line(costs, 'pack')?.perKm?.most).toBeCloseTo(400 / 22_500, 9);
    // Lives are told in two digits, thousands apart.
    expect(phraseText(line(costs, 'pack')?.how ?? [])).toMatch(/^500 full cycles to 80 %, 23,000\skm$/);
    expect(phraseText(line(costs, 'pack')?.how ?? [], 'imperial')).toMatch(/14,000\smi$/);
    // Nothing is known of chain, cogs, tyres and pads: they are left out, and it is said.
    expect(costs.complete).toBe(false);
    expect(costs.perKm.least).toBeCloseTo(0.00375 + 400 / 22_500, 9);
  });

  it('of what wears are price over life, for each piece, sooner through a motor that pulls on the chain', () => {
    const priced = { ...use, running: { ...use.running, tyres: { price: 30, km: 5000 } } };
    expect(line(runningCosts(priced), 'tyres')?.perKm?.least).toBeCloseTo(0.012, 9);
    expect(line(runningCosts({ ...priced, wheelCount: 3 }), 'tyres')?.perKm?.least).toBeCloseTo(0.018, 9);
    const chain = { ...use, likelyPrice: () => exactly(20) };
    const [hub, middle] = [runningCosts(chain), runningCosts({ ...chain, drive: 'mid-drive' })];
    expect(line(middle, 'chain')?.perKm?.most).toBeGreaterThan(line(hub, 'chain')?.perKm?.most ?? 0);
  });

  it('fall with a habit that is kind to the pack, but not for lead', () => {
    const worn = { ...use, running };
    const [full, most] = [runningCosts(worn), runningCosts({ ...worn, chargeLimitPct: 85 })];
    expect(most.packCycles.least).toBe(2 * full.packCycles.least);
    const lead = { ...worn, chemistry: 'lead-acid' as const };
    expect(runningCosts({ ...lead, chargeLimitPct: 80 }).packCycles).toEqual(runningCosts(lead).packCycles);
  });

  it('never read as nought where nothing is known', () => {
    const bare = runningCosts({ ...use, pricePerKwh: null, packPrice: undefined, whPerKm: undefined });
    expect(bare.lines.every((l) => l.perKm === undefined)).toBe(true);
    expect(bare.complete).toBe(false);
    expect(line(bare, 'pack')?.missing).toBe('price of the pack');
  });
});

describe('when it has paid for itself', () => {
  it('is what was spent over what a month saves (by hand)', () => {
    // 3,600 km a year are 300 a month: a car at 0.40 is 120, this at 0.10 is 30: 900 are back after ten months.
    const told = { ...running, kmPerYear: 3600, insteadPerKm: 0.4 };
    expect(paidBack(told, exactly(0.1), exactly(900))).toEqual({
      kind: 'after',
      months: exactly(10),
      savedPerMonth: exactly(90),
    });
    expect(paidBack(told, exactly(0.5), exactly(900))).toEqual({ kind: 'never' });
    expect(paidBack(running, exactly(0.1), exactly(900)).kind).toBe('unknown');
    // A bus pass costs the same however far one rides.
    expect(
      paidBack({ ...running, kmPerYear: 0, insteadPerMonth: 90 }, exactly(0.1), exactly(900)),
    ).toMatchObject({
      months: exactly(10),
    });
  });
});

describe('a build against a ready-made bicycle', () => {
  const own = {
    price: { least: 1400, most: 1600 },
    energyWh: 800,
    packV: 48,
    motorW: undefined,
    torqueNm: 80,
    className: 'EAPC',
    massKg: 30,
    rangeKm: { least: 40, most: 80 },
    features: ['own-repair', 'throttle'] as const,
  };

  it('is told by the price of a watt-hour and of a kilometre, hours counted where they are (by hand)', () => {
    const told = againstReadyMade(
      { ...readyMade, price: 3000, energyWh: 500, rangeKm: 100, features: ['warranty', 'throttle'] },
      own,
      200,
    );
    const row = (id: string) => told.rows.find((r) => r.id === id);
    expect(row('perWh')).toMatchObject({ ready: exactly(6), own: { least: 2, most: 2.25 } });
    expect(row('perKm')).toMatchObject({ ready: exactly(30), own: { least: 20, most: 45 } });
    expect(row('motor')).toMatchObject({ ready: null, own: null });
    expect(told).toMatchObject({ readyHas: ['warranty'], ownHas: ['own-repair'], both: ['throttle'] });
  });

  it('cannot be told of what is not known', () => {
    const told = againstReadyMade(readyMade, { ...own, price: undefined }, 0);
    expect(
      told.rows
        .filter((r) => r.id === 'perWh' || r.id === 'price')
        .every((r) => r.ready === null && r.own === null),
    ).toBe(true);
  });
});
