import type { BuildDocument } from '../document/document.ts';
import { controlsSpecs } from '../document/gearing.ts';
import { supplyOn } from '../machine/diodes.ts';
import type { Limits } from '../machine/limits.ts';
import type { Machine } from '../machine/machine.ts';
import { msToKmh } from '../quantity/units.ts';
import { constantSpeedRange } from '../ride/range.ts';
import { wholeMetres, type RangeOutcome } from '../ride/range-outcome.ts';
import { STATED_CHARGE } from '../ride/stated.ts';
import { steadySpeed } from '../ride/steady.ts';

/** What the steps of help part evenly: the rider's watts many times over, or the motor's own amps, watts or speed. */
type LevelsBy = Exclude<BuildDocument['controls']['levelsBy'], 'unknown'>;

/** One level of help, ridden as it asks for itself: at full help of that level, on the flat and on the test hill. */
export interface Level {
  readonly level: number;
  /** What it is set to. */
  readonly sets: { readonly value: number; readonly unit: '1' | 'A' | 'W' | 'km/h' };
  /** Speeds that it holds; undefined where it holds none. */
  readonly flatKmh: number | undefined;
  readonly hillKmh: number | undefined;
  /** At the speed on the flat, to the end of a full charge; the reserve is not taken off. */
  readonly whPerKm: number | undefined;
  readonly rangeKm: number | undefined;
}

/** Where nobody has said how many there are. Common practice. */
const USUAL_LEVELS = 5;

/** Ratios of help that grow evenly, each by the same factor: k1 (kn / k1)^((i-1)/(n-1)). Common practice, no source. */
export function levelRatios(least: number, most: number, count: number): readonly number[] {
  if (count === 1) return [most];
  return Array.from({ length: count }, (_, i) => least * Math.pow(most / least, i / (count - 1)));
}

/** What the levels part where it is not said: torque sensors multiply the legs, cadence sensors part the amps. */
const levelsBy = ({ controls }: BuildDocument): LevelsBy => {
  if (controls.assistSensor === 'torque') return 'ratio';
  return controls.levelsBy === 'unknown' || controls.levelsBy === 'ratio' ? 'amps' : controls.levelsBy;
};

/** The pedals' help alone at a level: a hand on the throttle would get all there is. */
function atLevel(build: BuildDocument, machine: Machine, share: number, ratio: number) {
  const by = levelsBy(build);
  const { limits, rider } = machine;
  const pedalled = (changed: Partial<Limits>, rest: Partial<Machine> = {}): Machine => ({
    ...machine,
    control: 'pedals',
    throttleShare: 0,
    // Legs that ease off behind the help give that much while it is held.
    rider: { ...rider, powerW: rider.powerW * rider.ease, ease: 1 },
    ...rest,
    limits: { ...limits, handCutoff: 0, ...changed },
  });
  const nominalW = limits.batteryA * supplyOn(machine, STATED_CHARGE).openVolts;
  switch (by) {
    case 'ratio':
      return {
        sets: { value: ratio, unit: '1' as const },
        machine: pedalled({ assistW: ratio * rider.powerW }, { assistRatio: ratio }),
      };
    case 'amps': {
      const batteryA = share * limits.batteryA;
      return { sets: { value: batteryA, unit: 'A' as const }, machine: pedalled({ batteryA }) };
    }
    case 'watts': {
      const powerW = share * Math.min(limits.powerW, nominalW);
      return { sets: { value: powerW, unit: 'W' as const }, machine: pedalled({ powerW }) };
    }
    case 'speed': {
      const cutoff = share * topOf(machine);
      const { limitsSpeed, assistCutoffKmh: end } = build.controller;
      // By a wheel that is held wrongly what is set is not what is ridden.
      const set = limitsSpeed && end.source !== 'unknown' ? share * end.value : msToKmh(cutoff);
      return { sets: { value: set, unit: 'km/h' as const }, machine: pedalled({ cutoff }) };
    }
  }
}

/** Where help ends in the highest level, or where the machine does, m/s. */
function topOf(machine: Machine): number {
  if (Number.isFinite(machine.limits.cutoff)) return machine.limits.cutoff;
  const top = steadySpeed(machine, supplyOn(machine, STATED_CHARGE), 0, 'best');
  return top.moves ? top.v : 0;
}

const held = (machine: Machine, gradePct: number): number | undefined => {
  const choice = gradePct === 0 ? 'best' : (machine.heldGear ?? 'best');
  const steady = steadySpeed(machine, supplyOn(machine, STATED_CHARGE), gradePct, choice);
  return steady.moves ? steady.v : undefined;
};

/** All that a charge gives, at the speed and a little more slowly as legs tire and volts fall. */
function toTheEnd(range: RangeOutcome): { readonly km: number; readonly whPerKm: number } | undefined {
  const km = wholeMetres(range) / 1000;
  const usedWh = (range.holds ? range.usedWh : 0) + (range.on?.usedWh ?? 0);
  return km > 0 ? { km, whPerKm: usedWh / km } : undefined;
}

/** How many levels of help a build has; the usual number where nobody has counted them. */
export const levelCount = ({ controls }: Pick<BuildDocument, 'controls'>): number =>
  controls.levels === 0 ? USUAL_LEVELS : controls.levels;

/** What each level is set to, and the machine that is helped so; none without a sensor at the pedals. */
function stepsOf(build: BuildDocument, machine: Machine): readonly ReturnType<typeof atLevel>[] {
  const { controls } = build;
  if (controls.assistSensor === 'none') return [];
  const count = levelCount(build);
  const most = machine.assistRatio;
  const least = Math.min(
    most,
    controls.leastRatio.source === 'unknown' ? controlsSpecs.leastRatio.fallback : controls.leastRatio.value,
  );
  return levelRatios(least, most, count).map((ratio, i) => atLevel(build, machine, (i + 1) / count, ratio));
}

/** What each level of the pedals' help is set to, the lowest first; none without a sensor at the pedals. */
export const levelSets = (build: BuildDocument, machine: Machine): readonly Level['sets'][] =>
  stepsOf(build, machine).map(({ sets }) => sets);

/**
 * Every level of the pedals' help: the speed that legs and motor hold with it and how far the charge goes at that; none
 * without a sensor at the pedals.
 */
export function levelsOf(build: BuildDocument, machine: Machine, gradePct: number): readonly Level[] {
  return stepsOf(build, machine).map((one, i): Level => {
    // On the hill legs push with all they have.
    const pushing = { ...one.machine, rider: machine.rider };
    const [flat, hill] = [held(one.machine, 0), held(pushing, gradePct)];
    const ridden = flat === undefined ? undefined : toTheEnd(constantSpeedRange(one.machine, flat, 1));
    return {
      level: i + 1,
      sets: one.sets,
      flatKmh: flat === undefined ? undefined : msToKmh(flat),
      hillKmh: hill === undefined ? undefined : msToKmh(hill),
      whPerKm: ridden?.whPerKm,
      rangeKm: ridden?.km,
    };
  });
}
