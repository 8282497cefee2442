import { measured, told, type Check } from '../check/check.ts';
import { qty } from '../quantity/phrase.ts';
import { EDGE, highestVolts, type PowerSubject } from './subject.ts';

/** A full charge of the higher pack against what the controller's capacitors stand. */
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
    inputs: [rated],
  });
}

/** Blocks that hold several cells cannot be divided. */
export function wholeBodies({ build, known }: PowerSubject): readonly Check[] {
  if (build.pack.make !== 'cells' || build.cell.inBody === 1) return [];
  const rest = known.pack.cellsInSeries.value % build.cell.inBody;
  return [
    told({
      id: 'whole-blocks',
      group: 'pack',
      title: 'Cells in series fill whole blocks',
      state: rest === 0 ? 'fine' : 'stop',
      words: rest === 0 ? 'they do' : `${String(rest)} left over`,
      limit: ['a multiple of ', qty(build.cell.inBody, '1', 0)],
      why: ['A block of ', qty(build.cell.inBody, '1', 0), ' cells cannot be divided.'],
      remedy: ['Change the cells in series to a whole number of blocks.'],
      origin: 'derived',
      inputs: [known.pack.cellsInSeries],
    }),
  ];
}
