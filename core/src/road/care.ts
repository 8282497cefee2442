import type { BuildDocument } from '../document/document.ts';
import { qty, type Phrase } from '../quantity/phrase.ts';
import { upkeepTasks, type UpkeepTask } from './upkeep.ts';

/** What whoever takes a machine over is told to look after. */
export interface Care {
  readonly name: string;
  readonly how: string;
  readonly when: Phrase;
}

function whenOf({ firstKm, everyKm, everyDays }: UpkeepTask): Phrase {
  const km: Phrase = everyKm === undefined ? [] : [qty(everyKm, 'km', 0)];
  const days: Phrase = everyDays === undefined ? [] : [`${String(everyDays)} days`];
  return [
    ...(firstKm === undefined ? [] : ['first after ', qty(firstKm, 'km', 0), ', then ']),
    'every ',
    ...km,
    ...(km.length > 0 && days.length > 0 ? [' or '] : []),
    ...days,
  ];
}

/** The upkeep of a build in words, in the order of the look over a machine; whichever of km and days comes first. */
export const careOf = (build: BuildDocument): readonly Care[] =>
  upkeepTasks(build).map((task) => ({ name: task.name, how: task.how, when: whenOf(task) }));
