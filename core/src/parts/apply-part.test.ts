import { describe, expect, it } from 'vitest';
import * as z from 'zod';
import shelfFile from '../../../demo/parts.json' with { type: 'json' };
import { isSmallPart } from '../document/part-types.ts';
import { knownBuild } from '../document/known.ts';
import { readBuild } from '../document/read.ts';
import { priceOfLine, withLine } from '../document/purchase.ts';
import { torqueConstant } from '../machine/motor.ts';
import { sample } from '../test/sample.ts';
import { applyPart, copiedFrom } from './apply-part.ts';
import { part, type Part } from './part.ts';

const shelf = z.array(part).parse(shelfFile);

describe('a part from the shelf', () => {
  it.each(shelf.filter((p) => !isSmallPart(p.type)))(
    '$name makes a valid build, its values marked as from the label',
    (one) => {
      const build = applyPart(sample(), one);
      expect(readBuild(build).ok).toBe(true);
      const section = { motor: 'drive', controller: 'controller', donor: 'donor' } as const;
      expect(copiedFrom(build, one.type)).toBe(one.id);
      if (one.type === 'ring') expect(build.gearing.ringTeeth).toEqual({ source: 'label', value: one.teeth });
      else if (one.type === 'cogs') expect(build.gearing.cogTeeth).toEqual(one.cogTeeth);
      else if (one.type === 'tyre')
        expect(build.donor.tyreMm).toEqual({ source: 'label', value: one.tyreMm });
      else if (one.type === 'cell')
        expect(build.packs[0].cell.massG).toEqual({ source: 'label', value: one.massKg * 1000 });
      else if (one.type === 'charger')
        expect(build.packs[0].charger.volts).toEqual({ source: 'label', value: one.volts });
      else if (one.type === 'connector')
        expect(build.cabling.connectorA).toEqual({ source: 'label', value: one.connectorA });
      else if (one.type === 'wire')
        expect(build.cabling.leadMm2).toEqual({ source: 'label', value: one.leadMm2 });
      else if (one.type === 'pack') {
        expect(build.packs[0].massKg).toEqual({ source: 'label', value: one.massKg });
        expect(build.packs[0].name).toBe(one.name);
      } else if (one.type === 'motor' || one.type === 'controller' || one.type === 'donor') {
        expect(build[section[one.type]].massKg).toEqual({ source: 'label', value: one.massKg });
        expect(build[section[one.type]].name).toBe(one.name);
      }
    },
  );

  it('brings its price only in the build’s currency', () => {
    const motor = shelf.find((p): p is Extract<Part, { type: 'motor' }> => p.type === 'motor');
    if (motor === undefined) throw new Error('no motor');
    expect(priceOfLine(applyPart(sample(), motor), 'motor')).toBe(motor.price);
    const abroad = { ...motor, currency: 'USD' };
    expect(priceOfLine(applyPart(sample(), abroad), 'motor')).toBeNull();
    const second = { currency: 'USD', rate: 0.8 };
    const two = { ...sample(), purchase: { ...sample().purchase, second } };
    expect(priceOfLine(applyPart(two, abroad), 'motor')).toBeCloseTo(0.8 * (motor.price ?? 0), 9);
  });

  it('brings what stands in its box, its days, and its maker as supplier until another is named', () => {
    const motor = shelf.find((p): p is Extract<Part, { type: 'motor' }> => p.type === 'motor');
    if (motor === undefined) throw new Error('no motor');
    const kit = { ...motor, brings: { display: 1 }, leadDays: 12 };
    const { purchase } = applyPart(sample(), kit);
    expect(purchase.brings.motor).toEqual({ display: 1 });
    expect(purchase.lines['motor']).toMatchObject({ leadDays: 12, supplier: motor.maker });
    const named = withLine(sample(), 'motor', { supplier: 'Ostler' });
    expect(applyPart(named, kit).purchase.lines['motor']?.supplier).toBe('Ostler');
  });

  it('asks for the roll-out anew when the wheel changes', () => {
    const donor = shelf.find((p) => p.type === 'donor');
    if (donor === undefined) throw new Error('no donor');
    expect(applyPart(sample({ donor: { rolloutMm: 1500 } }), donor).donor.rolloutMm).toEqual({
      source: 'unknown',
    });
  });
});

describe('the sample shelf', () => {
  it('has unique ids and packs whose cells make their volts', () => {
    expect(new Set(shelf.map((p) => p.id)).size).toBe(shelf.length);
    const perCell = { nmc: 3.65, 'nmc-power': 3.65, lmo: 3.7, lfp: 3.2, 'lead-acid': 2 };
    for (const one of shelf) {
      if (one.type !== 'pack') continue;
      expect(
        Math.abs((one.cellsInSeries * perCell[one.chemistry]) / one.nominalV - 1),
        one.name,
      ).toBeLessThan(0.08);
    }
  });

  it('has motors that can give their rating at a usual current', () => {
    for (const one of shelf) {
      if (one.type !== 'motor') continue;
      // Rated watts at half of the no-load speed and its own volts: a current that such a winding carries.
      const { kvRpmPerV, labelV } = knownBuild(applyPart(sample(), one)).drive;
      const kt = torqueConstant(kvRpmPerV.value);
      const amps = one.ratedPowerW / ((0.5 * labelV.value) / kt) / kt;
      expect(amps, one.name).toBeLessThan(90);
    }
  });
});
