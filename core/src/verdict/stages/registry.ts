import { benchStage, changeStage, roadStage } from './by-records.ts';
import { briefStage } from './brief.ts';
import { buyStage } from './buy.ts';
import { donorStage } from './donor.ts';
import { driveStage } from './drive.ts';
import { hillStage } from './hill.ts';
import { lawStage } from './law.ts';
import { powerStage } from './power.ts';
import { rangeStage } from './range.ts';
import { setupStage } from './setup.ts';
import { wireStage } from './wire.ts';
import type { Stage } from './stage.ts';
import type { StageId } from '../../check/stage-ids.ts';

/** Every stage of the work: one that is missing does not compile. */
export const STAGES: Readonly<Record<StageId, Stage>> = {
  brief: briefStage,
  donor: donorStage,
  drive: driveStage,
  power: powerStage,
  law: lawStage,
  hill: hillStage,
  range: rangeStage,
  buy: buyStage,
  wire: wireStage,
  bench: benchStage,
  setup: setupStage,
  road: roadStage,
  change: changeStage,
};
