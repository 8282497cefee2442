import { isBegun } from '../../../harness/begun.ts';
import type { Draft, Rule } from '../../line.ts';

const named = (plug: string, other: string): string => (plug === '' ? other : plug);

/** A lead with both old plugs for each pair that does not mate. */
export const adapters: Rule = {
  id: 'adapters',
  group: 'wiring',
  origin: 'the harness: plug pairs joined through an adapter',
  lines: ({ build, wiring }) =>
    (isBegun(build) ? wiring().wires : [])
      .filter(({ cable }) => cable.spec.adapter === true)
      .map(({ cable: { key, number, carries, from, to } }): Draft => ({
        key: `adapters/${key}`,
        what: [
          `Adapter lead, a half for ${named(from.plug, 'the one plug')} (${String(from.pins.length)} pins) and one for ${named(to.plug, 'the other')} (${String(to.pins.length)} pins)`,
        ],
        why: [`P${String(number)}, ${carries}: both old plugs stay usable`],
      })),
};
