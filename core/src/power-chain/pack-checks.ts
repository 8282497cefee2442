import { asked, measured, told, type Check } from '../check/check.ts';
import { hasBoard } from '../document/pack-board.ts';
import { formatNumber } from '../quantity/format.ts';
import { qty } from '../quantity/phrase.ts';
import { idOfPack, ofPack } from '../document/pack-names.ts';
import { cellCutoff } from './cutoff-span.ts';
import { EDGE, highestVolts, uncounted, type PowerSubject } from './subject.ts';

/** A full charge of the highest pack against what the controller's capacitors stand. */
export function controllerVolts({ build, known }: PowerSubject): Check {
  const full = highestVolts(build, known);
  const rated = known.controller.ratedV;
  return measured({
    id: 'controller-volts',
    group: 'pack',
    title: 'Full charge against the controller',
    value: full,
    unit: 'V',
    sense: 'most',
    fine: rated.value * EDGE,
    look: rated.value,
    limit: ['at most ', qty(rated.value * EDGE, 'V')],
    limitFrom: [rated],
    why: ['A full pack stands at ', qty(full, 'V'), '; the capacitors have to stand it with some in hand.'],
    remedy: ['Take a controller for more volts, or a pack with fewer cells in series.'],
    origin: 'common practice',
    source: 'within a twentieth of its rating a capacitor is at its edge',
    inputs: [rated, ...uncounted({ build, known }, (volts) => volts <= rated.value * EDGE)],
  });
}

const TURNS = { electronic: 'three phases', brushes: 'brushes, two leads' } as const;

/** What the controller turns against the motor’s own leads; for three phases it is asked of nobody: nearly all are. */
export function controllerTurns({ build: { drive, controller } }: PowerSubject): readonly Check[] {
  const { commutation, place } = controller;
  if (place === 'motor' || (commutation === 'unknown' && drive.commutation === 'electronic')) return [];
  return [
    told({
      id: 'controller-leads',
      group: 'pack',
      title: 'Controller for the motor’s leads',
      state: commutation === drive.commutation ? 'fine' : 'stop',
      words: commutation === 'unknown' ? 'not known' : `for ${TURNS[commutation]}`,
      limit: [`for ${TURNS[drive.commutation]}`],
      why: [
        'A controller for three phases turns no motor with brushes, and a chopper for brushes no motor with three.',
      ],
      remedy: ['Take a controller for motors of this kind.'],
      origin: 'derived',
      inputs: [],
      asked: [asked('which motors the controller turns', commutation)],
    }),
  ];
}

/** Blocks that hold several cells cannot be divided. */
export const wholeBodies = ({ build, known }: PowerSubject): readonly Check[] =>
  build.packs.flatMap(({ make, cell: { inBody } }, i) => {
    const cells = known.packs[i]?.cellsInSeries;
    if (make !== 'cells' || inBody === 1 || cells === undefined) return [];
    const rest = cells.value % inBody;
    return [
      told({
        id: idOfPack('whole-blocks', i),
        group: 'pack',
        title: `Cells in series fill whole blocks${ofPack(build, i)}`,
        state: rest === 0 ? 'fine' : 'stop',
        words: rest === 0 ? 'they do' : `${String(rest)} left over`,
        limit: ['a multiple of ', qty(inBody, '1', 0)],
        why: ['A block of ', qty(inBody, '1', 0), ' cells cannot be divided.'],
        remedy: ['Change the cells in series to a whole number of blocks.'],
        origin: 'derived',
        inputs: [cells],
      }),
    ];
  });

/** A pack without a board has nothing but the controller's cut-off between its cells and harm. */
export const boards = ({ build, known }: PowerSubject): readonly Check[] =>
  build.packs.flatMap(({ board, chemistry }, i) => {
    if (chemistry === 'lead-acid' && board !== 'yes') return [];
    return [
      told({
        id: idOfPack('board', i),
        group: 'pack',
        title: `Protection board${ofPack(build, i)}`,
        state: board === 'no' ? 'look' : 'fine',
        words: board === 'no' ? 'none' : 'has one',
        limit: ['one, at or above the controller’s limit'],
        why: [
          'It opens when a cell is empty, too full, or gives too much; without it only the controller’s cut-off does.',
        ],
        remedy: ['Fit one, or watch every cell yourself, at every charge.'],
        origin: 'common practice',
        // A label read on it says that there is one.
        inputs: [],
        asked:
          known.packs[i]?.bmsCurrentA.source === 'unknown'
            ? [asked('whether the pack has a board', board)]
            : [],
      }),
    ];
  });

const CUTS = {
  'too low': 'It is set for fewer cells or others: it empties these to death.',
  right: 'Below it the controller takes no more, and spares the cells.',
  'too high': 'It is set for more cells or others: it stops these while they still hold charge.',
} as const;

/** The controller's cut-off against the cells of each pack that it may be left to guard. */
export const cutoffForCells = ({ build, known }: PowerSubject): readonly Check[] =>
  build.packs.flatMap(({ chemistry }, i) => {
    const cells = known.packs[i]?.cellsInSeries;
    if (cells === undefined) return [];
    const { lowVoltageCutoffV } = known.controller;
    const { perCell, cell, whole, is } = cellCutoff(chemistry, cells.value, lowVoltageCutoffV.value);
    return [
      told({
        id: idOfPack('cutoff-cells', i),
        group: 'pack',
        title: `Low-voltage cut-off for these cells${ofPack(build, i)}`,
        state: is === 'right' ? 'fine' : 'stop',
        words: `${formatNumber(perCell, 2)} V a cell`,
        limit: [qty(cell[0], 'V', 2), ' to ', qty(cell[1], 'V', 2), ' a cell'],
        why: [`${CUTS[is]} The cell maker’s data sheet decides.`],
        remedy: ['Set it from ', qty(whole[0], 'V', 1), ' to ', qty(whole[1], 'V', 1), ' for this pack.'],
        origin: 'common practice',
        inputs: [lowVoltageCutoffV, cells],
        mends: lowVoltageCutoffV,
      }),
    ];
  });

/**
 * The controller stops before the board opens, so that lamps stay on: asked where lamps hang on the packs, else looked at once
 * the board's own volts are known. Each pack by its own.
 */
export const cutoffOrder = ({ build, known }: PowerSubject): readonly Check[] =>
  known.packs.flatMap(({ boardCutoffV }, i) => {
    const { accessories, means } = build.supply;
    const lit = means !== 'own-cells' && accessories.some((a) => a.light);
    const pack = build.packs[i];
    if (pack === undefined || !hasBoard(pack) || (boardCutoffV.source === 'unknown' && !lit)) return [];
    const { lowVoltageCutoffV } = known.controller;
    return [
      measured({
        id: idOfPack('cutoff-order', i),
        group: 'pack',
        title: `Controller stops before the board opens${ofPack(build, i)}`,
        value: lowVoltageCutoffV.value - boardCutoffV.value,
        unit: 'V',
        sense: 'least',
        fine: 0.5,
        look: 0,
        limit: ['at least ', qty(0.5, 'V', 1), ' above ', qty(boardCutoffV.value, 'V', 1)],
        why: ['A board that opens first takes lamps and display with it, on the road and in the dark.'],
        remedy: ['Raise the controller’s cut-off above the board’s.'],
        origin: 'common practice',
        limitFrom: [boardCutoffV],
        inputs: [boardCutoffV, lowVoltageCutoffV],
      }),
    ];
  });
