import { convert, msToKmh, shownUnit, unitText, type UnitSystem } from '@apple-cart/core';
import type { LogWindow } from '@apple-cart/contracts';
import { panelsOf } from '../../charts/log-chart.ts';
import type { ChartTable } from '../../files/table-csv.ts';

const MOST = 400;

/** What is drawn of a recording, as a table. */
export function logTable(window: LogWindow, system: UnitSystem): ChartTable {
  const of = (id: string): readonly (number | null)[] => {
    const column = window.columns[id];
    if (column === undefined) return [];
    return Array.isArray(column) ? column : column.mean;
  };
  const [far, fast, high, warm] = (['km', 'km/h', 'm', 'C'] as const).map((u) => shownUnit(u, system));
  const shown = {
    elevation: {
      name: `Elevation, ${unitText(high ?? 'm')}`,
      digits: 0,
      to: (v: number) => convert(v, 'm', high ?? 'm'),
    },
    speed: {
      name: `Speed, ${unitText(fast ?? 'km/h')}`,
      digits: 1,
      to: (v: number) => convert(msToKmh(v), 'km/h', fast ?? 'km/h'),
    },
    out: { name: 'From the pack, W', digits: 0, to: (v: number) => v },
    windingC: {
      name: `Winding, ${unitText(warm ?? 'C')}`,
      digits: 0,
      to: (v: number) => convert(v, 'C', warm ?? 'C'),
    },
    volts: { name: 'Pack, V', digits: 1, to: (v: number) => v },
  } as const;
  const panels = panelsOf(window);
  const metres = of('metres');
  const every = Math.max(1, Math.ceil(metres.length / MOST));
  const rows = metres.flatMap((m, i) =>
    i % every !== 0
      ? []
      : [
          [
            m === null ? undefined : convert(m / 1000, 'km', far ?? 'km'),
            ...panels.map((id) => {
              const value = of(id)[i];
              return value === null || value === undefined ? undefined : shown[id].to(value);
            }),
          ],
        ],
  );
  return {
    columns: [
      { name: `Distance, ${far ?? 'km'}`, digits: 2 },
      ...panels.map((id) => ({ name: shown[id].name, digits: shown[id].digits })),
    ],
    rows,
  };
}
