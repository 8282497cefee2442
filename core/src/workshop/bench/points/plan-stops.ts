import { phraseText } from '../../../quantity/phrase.ts';
import type { Job } from '../../job.ts';
import { holdPoint, ticks, type HoldPoint } from '../hold-point.ts';

/** As long as an item of a list of ticks may be. */
const LONGEST = 120;
const MOST_ITEMS = 60;
const cut = (text: string): string => (text.length > LONGEST ? `${text.slice(0, LONGEST - 1)}…` : text);

/** A point for what the plan still stops at; none where there is nothing. */
const point = (
  group: 'before' | 'power',
  how: string,
  caution: string,
  stops: readonly string[],
): readonly HoldPoint[] =>
  stops.length === 0
    ? []
    : [
        holdPoint(
          group,
          'plan',
          'What the plan stops at is put right',
          how,
          ticks(...[...new Set(stops.map(cut))].slice(0, MOST_ITEMS)),
          {
            caution,
            why: ['stopped at in the plan: the checks after this one are worked out as it is'],
            otherwise: 'A part that is as planned is then as wrong: change the plan, and this check goes.',
          },
        ),
      ];

/** What does not fit, before anything is undone. */
export const fitStops = ({ stops }: Job): readonly HoldPoint[] =>
  point(
    'before',
    'Each line as Donor and Drive tell it, with what mends it.',
    '',
    stops.fit.map(({ title, limit }) => `${title}: ${phraseText(limit)}`),
  );

/** What the power chain and the harness would not bear, before a pack is joined for the first time. */
export const liveStops = ({ stops, chain, wiring }: Job): readonly HoldPoint[] =>
  point(
    'power',
    'Each line as Power and Wire tell it, with what mends it; the pack stays parted until then.',
    'What is too small or for other volts burns, and does not blow a fuse that is too large for it.',
    [
      ...stops.power.map(({ title, limit }) => `${title}: ${phraseText(limit)}`),
      ...chain.links
        .filter(({ state }) => state === 'stop')
        .map(({ name, why }) => `${name}: ${phraseText(why)}`),
      ...wiring().wires.flatMap(({ cable: { number, name }, plug, way }) =>
        [...plug, ...way]
          .filter(({ state }) => state === 'stop')
          .map(({ words }) => `W${String(number)}, ${name}: ${words}`),
      ),
    ],
  );
