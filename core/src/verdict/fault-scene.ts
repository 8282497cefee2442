import type { Known } from '../document/known-build.ts';
import type { FaultScene } from '../road/faults/scene.ts';
import { benchPacks } from '../workshop/bench/scene.ts';
import type { Verdict } from './evaluate.ts';
import { jobOf } from './job-of.ts';

const isSaid = ({ source }: Known): boolean => source !== 'unknown';

/** What is known of a build that shows a fault, from its verdict. */
export function faultScene(v: Verdict): FaultScene {
  const { study, power, known } = v;
  const job = jobOf(study, () => v.wiring);
  const heat = v.figures.find((f) => f.id === 'heat');
  const rest = benchPacks(job)[0]?.rest;
  return {
    build: study.build,
    check: job.check,
    links: power.chain.links,
    settings: v.settings,
    heat: { state: heat?.state ?? 'unknown', words: heat?.condition ?? [] },
    topLimit:
      isSaid(known.drive.kvRpmPerV) || isSaid(known.drive.noLoadRpm)
        ? study.topFull.traction.limit
        : undefined,
    airC: isSaid(known.brief.temperatureC) ? known.brief.temperatureC.value : undefined,
    massKg:
      isSaid(known.brief.riderMassKg) && isSaid(known.donor.massKg) ? study.machine.road.massKg : undefined,
    restV:
      rest?.low === null || rest?.high === null || rest === undefined
        ? undefined
        : { low: rest.low, high: rest.high },
    sagV: isSaid(known.controller.batteryCurrentA) ? power.halfV - power.loadedV : undefined,
  };
}
