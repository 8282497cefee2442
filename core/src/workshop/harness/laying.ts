import type { BuildDocument } from '../../document/document.ts';
import { NOTHING_MEASURED } from '../../document/harness.ts';
import type { Cable } from './components.ts';
import { staysOff, type Run } from './runs.ts';

/** How a cable is laid where nothing is amiss: what its way asks of whoever ties it. */
export interface Laying {
  readonly id: 'loop' | 'joint' | 'tube' | 'cover' | 'fold-away' | 'phases' | 'relief' | 'rattle';
  readonly words: string;
}

interface Laid {
  readonly build: BuildDocument;
  readonly cable: Cable;
  readonly run: Run;
}

const passesHole = ({ build, cable }: Laid): boolean =>
  (build.harness.cables[cable.key] ?? NOTHING_MEASURED).holeMm !== null;

/** Common practice, no source, in the order in which it is done. */
const RULES: readonly (Laying & { readonly counts: (laid: Laid) => boolean })[] = [
  {
    id: 'phases',
    words: 'As short as it goes: the controller near the motor, its fins in the wind, no coil left over.',
    counts: ({ cable }) => cable.kind === 'phase',
  },
  {
    id: 'tube',
    words:
      'Fish it with a stiff wire or a cord, plug end last, and leave a cord in the tube for the next time.',
    counts: passesHole,
  },
  {
    id: 'cover',
    words:
      'Plugs that end up inside the tube or box stay within reach: a cover that a tool opens, out of sight if wished, and noted in the record. What is riveted or sealed shut cannot be measured.',
    counts: passesHole,
  },
  {
    id: 'loop',
    words: 'Tie it on either side of the head with a loop between: full lock both ways pulls at nothing.',
    counts: ({ run }) => run.slack > 0,
  },
  {
    id: 'joint',
    words:
      'Its joint lies where no wheel throws water: shrink with glue, a neoprene sleeve over it, and the cable falls below it so that drops leave it.',
    counts: ({ run }) => run.then === 'extend',
  },
  {
    id: 'fold-away',
    words:
      'What is too long is folded flat beside the tube and tied; a coil on a phase lead is another coil.',
    counts: ({ run }) => run.then === 'fold',
  },
  {
    id: 'relief',
    words:
      'A tie within a hand’s width of each plug takes the pull; the plug takes none. It enters a box from below.',
    counts: () => true,
  },
  {
    id: 'rattle',
    words: 'A turn of cloth tape or foam where it can knock against a tube.',
    counts: ({ run }) => run.along > 400,
  },
];

/** What the way of a cable asks of whoever lays it; nothing of one that is plugged in where the bicycle stands. */
export const layingOf = (laid: Laid): readonly Laying[] =>
  staysOff(laid.cable)
    ? []
    : RULES.filter(({ counts }) => counts(laid)).map(({ id, words }) => ({ id, words }));

/** The same of all cables, each rule with the numbers of those that it is for. */
export const layingOfAll = (
  build: BuildDocument,
  wires: readonly Pick<Laid, 'cable' | 'run'>[],
): readonly (Laying & { readonly cables: readonly number[] })[] =>
  RULES.flatMap(({ id, words }) => {
    const cables = wires
      .filter((wire) => layingOf({ build, ...wire }).some((one) => one.id === id))
      .map(({ cable }) => cable.number);
    return cables.length === 0 ? [] : [{ id, words, cables }];
  });
