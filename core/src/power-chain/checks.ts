import type { Check } from '../check/check.ts';
import { chargerChecks, regenChecks } from './charge-checks.ts';
import { fuseChecks, inrushCheck, leadDrop } from './lead-checks.ts';
import {
  boards,
  controllerTurns,
  controllerVolts,
  cutoffForCells,
  cutoffOrder,
  wholeBodies,
} from './pack-checks.ts';
import { jointCheck } from './joint-check.ts';
import { joiningChecks } from './joining-checks.ts';
import type { PowerSubject } from './subject.ts';
import { supplyChecks } from './supply-checks.ts';

/** Every check of the power chain beside the current itself. */
export const powerChecks = (s: PowerSubject): readonly Check[] => [
  controllerVolts(s),
  ...controllerTurns(s),
  ...wholeBodies(s),
  ...boards(s),
  ...cutoffForCells(s),
  ...cutoffOrder(s),
  leadDrop(s),
  ...fuseChecks(s),
  inrushCheck(s),
  ...jointCheck(s),
  ...chargerChecks(s),
  ...regenChecks(s),
  ...joiningChecks(s),
  ...supplyChecks(s),
];
