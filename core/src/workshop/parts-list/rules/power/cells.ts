import { CHEMISTRIES } from '../../../../document/chemistries.ts';
import { LITHIUM_SENT, ownPacks, specOf, suffixed, within } from '../../helpers.ts';
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
        pack: i,
        what: [
          `${pack.cell.name.trim() === '' ? 'Cells' : pack.cell.name}, ${CHEMISTRIES[pack.chemistry].name}, `,
          ...specOf(own.cell.capacityAh, 'Ah', 2),
          ', of one batch',
        ],
        why: [
          `${String(own.cellsInSeries.value)} in series, ${String(own.cell.parallel.value)} side by side, and ${String(spares)} spares`,
        ],
        quantity: count + spares,
        ...(pack.chemistry === 'lead-acid' ? {} : { ask: LITHIUM_SENT }),
        price: pack.cell.price === null ? null : pack.cell.price * (count + spares),
        from: {
          type: 'cell',
          suits: (p) =>
            p.type === 'cell' &&
            p.chemistry === pack.chemistry &&
            (pack.cell.name.trim() === ''
              ? within(p.capacityAh, own.cell.capacityAh.value, 0.1)
              : p.name === pack.cell.name.trim()),
        },
      };
    }),
};
