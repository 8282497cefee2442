import { leadSize, specOf, within } from '../../helpers.ts';
import type { Draft, Rule } from '../../line.ts';

/** Metres of battery lead, red and black. */
export const batteryLead: Rule = {
  id: 'battery-lead',
  group: 'wiring',
  origin: 'power chain: battery lead; common practice: a tenth over',
  lines: ({ build: { cabling, packs }, known: { cabling: known } }) =>
    (['red', 'black'] as const).map((color): Draft => ({
      key: `battery-lead/${color}`,
      what: [
        `Lead, ${color}, ${cabling.conductor === 'copper' ? 'fine copper, silicone' : 'fine copper (not ' + cabling.conductor + ')'}`,
        `, ${leadSize(known.leadMm2)}`,
      ],
      why: [
        ...specOf(known.leadMm, 'mm', 0),
        known.leadMm.source === 'unknown' ? ' one way, not measured yet' : ' one way',
        ...(packs.length > 1 ? [`, for each of ${String(packs.length)} packs`] : []),
        ', a tenth over',
      ],
      quantity: Math.max(1, Math.ceil((11 * packs.length * known.leadMm.value) / 1000) / 10),
      unit: 'm',
      from: {
        type: 'wire',
        suits: (p) =>
          p.type === 'wire' && p.conductor === 'copper' && within(p.leadMm2, known.leadMm2.value, 0.1),
      },
      kind: 'lead',
    })),
};
