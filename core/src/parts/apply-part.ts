import type { BuildDocument } from '../build/document.ts';
import type { Sourced } from '../build/quantity-spec.ts';
import type { Part } from './part.ts';

const label = (value: number): Sourced => ({ source: 'label', value });

/** Copies a part's values into a build, marked as read from its label. Prices only in the build's currency. */
export function applyPart(build: BuildDocument, part: Part): BuildDocument {
  const price = part.currency === build.money.currency ? part.price : null;
  switch (part.type) {
    case 'motor':
      return {
        ...build,
        drive: {
          ...build.drive,
          name: part.name,
          kind: part.kind,
          freewheel: part.freewheel,
          ratedPowerW: label(part.ratedPowerW),
          kvRpmPerV: label(part.kvRpmPerV),
          resistanceOhm: label(part.resistanceOhm),
          hysteresisNm: label(part.hysteresisNm),
          eddyNms: label(part.eddyNms),
          reduction: label(part.reduction),
          efficiency: label(part.efficiency),
          massKg: label(part.massKg),
        },
        money: { ...build.money, motor: price },
      };
    case 'pack':
      return {
        ...build,
        pack: {
          ...build.pack,
          name: part.name,
          chemistry: part.chemistry,
          nominalV: label(part.nominalV),
          cellsInSeries: label(part.cellsInSeries),
          capacityAh: label(part.capacityAh),
          bmsCurrentA: label(part.bmsCurrentA),
          massKg: label(part.massKg),
        },
        money: { ...build.money, pack: price },
      };
    case 'controller':
      return {
        ...build,
        controller: {
          ...build.controller,
          name: part.name,
          batteryCurrentA: label(part.batteryCurrentA),
          phaseCurrentA: label(part.phaseCurrentA),
          lowVoltageCutoffV: label(part.lowVoltageCutoffV),
          resistanceMohm: label(part.resistanceMohm),
          standbyW: label(part.standbyW),
          massKg: label(part.massKg),
        },
        money: { ...build.money, controller: price },
      };
    case 'donor':
      return {
        ...build,
        donor: {
          ...build.donor,
          name: part.name,
          style: part.style,
          wheelCount: part.wheelCount,
          massKg: label(part.massKg),
          beadMm: label(part.beadMm),
          tyreMm: label(part.tyreMm),
          rolloutMm: { source: 'unknown' },
          wheelbaseMm: label(part.wheelbaseMm),
        },
        money: { ...build.money, donor: price },
      };
  }
}
