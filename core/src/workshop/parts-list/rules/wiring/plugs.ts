import { controllersBeside } from '../../../../document/motors.ts';
import { MINUTES } from '../../../../power-chain/scene.ts';
import { ampsOf, ratedAmps } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** Plug pairs of the battery lead with a spare. */
export const plugs: Rule = {
  id: 'plugs',
  group: 'wiring',
  origin: 'common practice: one spare pair of each plug',
  lines: ({ build, build: { cabling }, known: { cabling: known }, chain }) => {
    const rated = ratedAmps(known.connectorA, chain, MINUTES);
    const amps = known.connectorA.source === 'unknown' ? Math.ceil(rated) : rated;
    const branches = Math.max(0, controllersBeside(build) - 1);
    const { connectors } = cabling;
    // Several packs meet in a switch, in diodes or in a lead, which goes on to the controller by plugs of its own.
    const joins = build.packs.length > 1 ? build.packs.length + 1 : 1;
    const battery =
      joins === 1
        ? `${String(connectors)} in the battery lead`
        : `${String(connectors)} at each of ${String(build.packs.length)} packs and at the controller`;
    return [
      {
        what: [
          'Plug pair, ',
          ...ampsOf(amps, known.connectorA, chain),
          ' continuous, socket half on the pack',
        ],
        why: [
          `${battery}, ${branches === 0 ? '' : 'one in the branch to the second controller, '}and one spare pair; the live side is never bare`,
        ],
        quantity: connectors * joins + branches + 1,
        unit: 'pair',
        from: {
          type: 'connector',
          // The next size up does as well.
          suits: (p) => p.type === 'connector' && p.connectorA >= amps && p.connectorA <= 1.5 * amps,
        },
      },
    ];
  },
};
