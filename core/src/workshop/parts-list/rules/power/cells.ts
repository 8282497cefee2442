import { ownPacks, suffixed, specOf } from '../../helpers.ts';
import type { Draft, Rule } from '../../line.ts';

/** Cells of a pack that is built here, with spares. */
export const cells: Rule = {
  id: 'cells',
  group: 'power',
  origin: 'common practice: two cells in a hundred as spares, two at least',
  lines: ({ build: { packs }, known }) =>
    ownPacks(packs).map(({ i, pack }): Draft => {
      const own = known.packs[i] ?? known.packs[0];
      const count = own.cellsInSeries.value * own.cell.parallel.value;
      const spares = Math.max(2, Math.ceil(count / 50));
      return {
        key: suffixed('cells', i),
        what: [
          pack.cell.name.trim() === '' ? 'Cells, ' : `${pack.cell.name}, `,
          ...specOf(own.cell.capacityAh, 'Ah', 2),
          ', of one batch',
        ],
        why: [
          `${String(own.cellsInSeries.value)} in series, ${String(own.cell.parallel.value)} side by side, and ${String(spares)} spares`,
        ],
        quantity: count + spares,
      };
    }),
};
