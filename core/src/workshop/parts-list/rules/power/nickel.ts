import { counted } from '../../../../quantity/format.ts';
import { qty } from '../../../../quantity/phrase.ts';
import { NICKEL_A, ownPacks, suffixed } from '../../helpers.ts';
import type { Draft, Rule } from '../../line.ts';

/** Nickel strip of a pack that is built here. */
export const nickel: Rule = {
  id: 'nickel',
  group: 'power',
  origin:
    'common practice: 8 mm by 0.15 mm of pure nickel for 5 to 7 A, as many strips as the group’s amps ask',
  lines: ({ build: { packs }, known, chain }) =>
    ownPacks(packs).map(({ i }): Draft => {
      const own = known.packs[i] ?? known.packs[0];
      const [s, p] = [own.cellsInSeries.value, own.cell.parallel.value];
      const links = Math.max(1, Math.ceil(chain.battery.continuousA / NICKEL_A / p)) * p * (s + 1);
      return {
        key: suffixed('nickel', i),
        what: ['Pure nickel strip 8 mm by 0.15 mm, not nickel-plated steel'],
        why: [
          qty(chain.battery.continuousA, 'A', 0),
          ` over ${String(p)} side by side, ${counted(s, 'group')}, with a tenth over`,
        ],
        quantity: Math.ceil((1.1 * (links + s * p) * own.cell.widthMm.value) / 1000),
        unit: 'm',
      };
    }),
};
