import type { Aim, FigureId, Standing, StepGain, Unit } from '@apple-cart/core';

/** How an aim is told. */
interface AimLook {
  readonly name: string;
  readonly unit: Unit;
  readonly digits: number;
  readonly of: (is: Standing) => number | undefined;
  /** Head of the bars: what is gained. */
  readonly gained: string;
  /** The headline of the tray that says the same. */
  readonly figure: FigureId;
}

export const AIM_LOOKS: Readonly<Record<Aim, AimLook>> = {
  hill: {
    name: 'Up the test hill',
    unit: 'km/h',
    digits: 1,
    of: (s) => s.hillKmh,
    gained: 'Hill gained',
    figure: 'hill',
  },
  top: {
    name: 'Top speed',
    unit: 'km/h',
    digits: 1,
    of: (s) => s.topKmh,
    gained: 'Speed gained',
    figure: 'top-speed',
  },
  range: {
    name: 'Range',
    unit: 'km',
    digits: 0,
    of: (s) => (s.plannedKm === undefined ? undefined : (s.plannedKm.low + s.plannedKm.high) / 2),
    gained: 'Range gained',
    figure: 'range',
  },
  cool: {
    name: 'A cooler motor',
    unit: 'C',
    digits: 0,
    of: (s) => s.hottestC,
    gained: 'Heat saved',
    figure: 'heat',
  },
};

/** Of so much money the gain is told. */
export const PER_MONEY = 100;

/** A step that should not be looked at first: it leaves the class, or something stands in its way. */
export const isAmiss = (s: StepGain): boolean =>
  s.classRisk === 'worse' || s.left.length > 0 || s.newStops.length > 0;
