import {
  firstOf,
  convert,
  msToKmh,
  shownUnit,
  unitText,
  type Trace,
  type Unit,
  type UnitSystem,
} from '@apple-cart/core';

/** What the panels are made for: a ride, one beside it, and the ground. */
interface Shown {
  readonly trace: Trace;
  readonly pinned: Trace | undefined;
  readonly rollbackC: number | undefined;
  readonly elevationM: readonly number[];
}

/** Heights of the panels, shares of the whole; gaps between them carry nothing. */
export const PANELS = [0.25, 0.2, 0.16, 0.18, 0.12] as const;
const GAP = 0.012;
/** Left edge for axis labels, and foot for the distance, px. */
const LEFT = 46;
const RIGHT = 12;

/** The end of a small axis: a round number whose half is one too. */
export function evenMax(value: number): number {
  const decade = 10 ** Math.floor(Math.log10(Math.max(value, 1e-9)));
  return ([1, 2, 4, 6, 8, 10].find((m) => m * decade >= value - 1e-9) ?? 10) * decade;
}

const round = (value: number, step: number, up: boolean): number =>
  (up ? Math.ceil(value / step) : Math.floor(value / step)) * step;

/** The reader's units, and what turns SI into them. */
export function scalesOf(system: UnitSystem) {
  const [distance, height, speed, heat] = (['km', 'm', 'km/h', 'C'] as const).map((unit) =>
    shownUnit(unit, system),
  ) as [Unit, Unit, Unit, Unit];
  return {
    units: { distance, height, speed, heat },
    far: (metres: number): number => convert(metres / 1000, 'km', distance),
    metresAt: (far: number): number => convert(far, distance, 'km') * 1000,
    high: (metres: number): number => convert(metres, 'm', height),
    fast: (v: number): number => convert(msToKmh(v), 'km/h', speed),
    warm: (celsius: number): number => convert(celsius, 'C', heat),
  };
}
export type Scales = ReturnType<typeof scalesOf>;

export interface Axis {
  readonly min: number;
  readonly max: number;
  readonly title: string;
  readonly interval: number;
}

/** Elevation on round steps, with a little ground beneath. */
function profileAxis(elevation: readonly number[], { units }: Scales): Axis {
  const [lowest, highest] = [Math.min(...elevation), Math.max(...elevation)];
  const rise = highest - lowest;
  const step = firstOf(
    [
      [rise > 120, 50],
      [rise > 40, 20],
    ],
    10,
  );
  const min = round(lowest - 0.15 * rise, step, false);
  const max = Math.max(min + step, round(highest, step, true));
  return {
    min,
    max,
    title: `Elevation, ${units.height}`,
    interval: step * Math.ceil((max - min) / step / 2),
  };
}

/** The panels from the top down, each with its own axis. */
export function axesOf({ trace, pinned, rollbackC, elevationM }: Shown, scales: Scales): readonly Axis[] {
  const { units, fast, warm, high } = scales;
  const speedMax = evenMax(Math.max(...trace.speed, ...(pinned?.speed ?? [])) * 1.05 * fast(1));
  const powerMax = evenMax(Math.max(...trace.batteryW, 50) * 1.02);
  const back = Math.min(0, ...trace.batteryW);
  const hottest = Math.max(...trace.windingC, ...(pinned?.windingC ?? []));
  const held = rollbackC === undefined ? 0 : warm(rollbackC) * 1.05;
  const heatMax = evenMax(Math.max(warm(hottest) * 1.05, held, 60));
  const coldest = Math.min(0, ...trace.windingC.map(warm));
  const even = (min: number, max: number, title: string): Axis => ({ min, max, title, interval: max / 2 });
  return [
    profileAxis(elevationM.map(high), scales),
    even(0, speedMax, `Speed, ${units.speed}`),
    even(back < -20 ? -evenMax(-back) : 0, powerMax, 'From the pack, W'),
    even(coldest < 0 ? round(coldest, 10, false) : 0, heatMax, `Winding, ${unitText(units.heat)}`),
    even(0, 100, 'Charge, %'),
  ];
}

/** Titles and the foot take what the panels leave. */
const PANELS_SHARE = 0.91;

/** Where each panel stands. */
export function panelGrid() {
  const whole = PANELS.reduce((sum, h) => sum + h, 0) + GAP * (PANELS.length - 1);
  const scale = PANELS_SHARE / whole;
  const percent = (share: number): string => `${(100 * share).toFixed(2)}%`;
  let from = 0.005;
  return PANELS.map((h) => {
    const one = {
      left: LEFT,
      right: RIGHT,
      top: percent(from),
      height: percent(h * scale),
      // Every panel is as wide as the others, whatever its words take: one cursor runs through all.
      outerBoundsMode: 'none' as const,
    };
    from += (h + GAP) * scale;
    return one;
  });
}
