import type { Limit } from '@apple-cart/core';

interface LimitInk {
  readonly line: string;
  readonly text: string;
}

/** The colours of one theme, resolved: charts are drawn with them, so that pictures of charts keep them. */
export interface ChartInk {
  readonly theme?: 'light' | 'dark';
  readonly ink: string;
  readonly ink2: string;
  readonly ink3: string;
  readonly sheet: string;
  readonly rule: string;
  readonly grid: string;
  readonly gridMajor: string;
  readonly slate: string;
  readonly span: string;
  readonly elevation: string;
  readonly fine: string;
  readonly speed: string;
  readonly heat: string;
  readonly voltage: string;
  readonly energy: LimitInk;
  readonly limit: Readonly<Record<Limit, LimitInk>>;
}

export const FONTS = {
  text: "'Atkinson Hyperlegible Next Variable', sans-serif",
  head: "'Bricolage Grotesque Variable', sans-serif",
  num: "'IBM Plex Mono', monospace",
} as const;

/** Builds the palette from a lookup of the theme's tokens. The same quantity has the same colour everywhere. */
export function chartInk(token: (name: string) => string): ChartInk {
  const one = (name: string): LimitInk => ({ line: token(name), text: token(name) });
  const battery: LimitInk = { line: token('q-batt-line'), text: token('q-batt') };
  const volts = one('q-volt');
  return {
    ink: token('ink'),
    ink2: token('ink2'),
    ink3: token('ink3'),
    sheet: token('sheet'),
    rule: token('rule'),
    grid: token('grid'),
    gridMajor: token('grid-major'),
    slate: token('slate'),
    span: token('press'),
    elevation: token('q-elev'),
    fine: token('fine'),
    speed: token('q-speed'),
    heat: token('q-heat'),
    voltage: token('q-volt'),
    energy: battery,
    limit: {
      voltage: volts,
      'low-voltage': volts,
      'battery-current': battery,
      'pack-power': battery,
      'power-limit': battery,
      'pack-protection': one('stop'),
      'phase-current': one('q-phase'),
      heat: one('q-heat'),
      'controller-heat': one('q-heat'),
      'speed-limit': one('q-speed'),
      'throttle-limit': one('q-speed'),
      'assist-ratio': one('fine'),
      cadence: one('q-elev'),
      'no-motor': one('ink3'),
    },
  };
}
