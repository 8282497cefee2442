import type { Job } from '../job.ts';
import { msToKmh } from '../../quantity/units.ts';
import { noLoadSpeed } from '../../law/motor-alone.ts';
import { packsAboard } from '../../machine/packs-aboard.ts';
import { fullChargeVolts, supplyAt, type Pack } from '../../machine/battery.ts';
import { AT_REST } from '../../power-chain/expectations.ts';
import { isHubMotor } from '../../document/choices.ts';
import { drivesBoth, motorCount } from '../../document/motors.ts';
import { numbered } from '../../document/pack-names.ts';
import { brakesLeft } from '../../document/brakes-left.ts';

/** A pack as the bench meets it. */
export interface BenchPack {
  readonly index: number;
  /** "Pack", or "Pack 2" of several. */
  readonly name: string;
  /** What the pack is called, or its number. */
  readonly part: string;
  readonly pack: Pack;
  readonly leadAcid: boolean;
  /** Made of cells here: its groups can be reached one by one. */
  readonly own: boolean;
  readonly fullV: number;
  /** Volts of the whole at rest that a sound one may show; nulls where nobody has said how many cells there are in series. */
  readonly rest: { readonly low: number | null; readonly high: number | null };
  /** Wheel off the ground in the tallest gear, at the charge that it is filled to, km/h; undefined for a winding or cells that nobody knows. */
  readonly unloadedKmh: number | undefined;
}

/** Somebody knows how fast the motor turns for its volts: from its constant, or unloaded by its label. */
const wound = ({ drive }: Job['known']): boolean =>
  [drive.kvRpmPerV, drive.noLoadRpm].some(({ source }) => source !== 'unknown');

/** The packs of a job in the order of use. */
export function benchPacks({ build, known, machine }: Job): readonly BenchPack[] {
  const charges = [known.packs[0].chargeLimitPct.value / 100, ...machine.others.map((o) => o.charge)];
  return packsAboard(build, known).map(({ pack }, index) => {
    const { make, name } = build.packs[index] ?? build.packs[0];
    const cells = (known.packs[index] ?? known.packs[0]).cellsInSeries;
    const [low, high] = AT_REST[pack.chemistry];
    const counted = cells.source !== 'unknown';
    return {
      index,
      name: numbered(build, 'Pack', index),
      part: name,
      pack,
      leadAcid: pack.chemistry === 'lead-acid',
      own: make === 'cells',
      fullV: fullChargeVolts(pack),
      rest: counted
        ? { low: low * pack.cellsInSeries, high: high * pack.cellsInSeries }
        : { low: null, high: null },
      unloadedKmh:
        counted && wound(known)
          ? msToKmh(noLoadSpeed(machine, supplyAt(pack, charges[index] ?? 1)))
          : undefined,
    };
  });
}

/** Ends that have a brake once the motor is in. */
export function brakeEnds({ build, known }: Job): readonly ('Front' | 'Rear')[] {
  const { front, rear } = brakesLeft(build, known);
  return [...(front === 'none' ? [] : (['Front'] as const)), ...(rear === 'none' ? [] : (['Rear'] as const))];
}

/** Of those, the ends whose brake has a lever: a back-pedal brake has none. */
export const leverEnds = (job: Job): readonly ('Front' | 'Rear')[] =>
  brakeEnds(job).filter((end) => end === 'Front' || brakesLeft(job.build, job.known).rear !== 'coaster');

/** A motor as the bench meets it. */
export interface BenchMotor {
  /** "rear motor" of two; empty of one alone. */
  readonly name: string;
  readonly end: 'front' | 'rear';
  /** A point of this motor: its key and its title say which, where there are two. */
  readonly of: (key: string, title: string) => readonly [key: string, title: string];
}

const motor = (which: string, end: BenchMotor['end'], second = false): BenchMotor => {
  const name = which === '' ? '' : `${which} motor`;
  return {
    name,
    end,
    of: (key, title) => [second ? `${key}-second` : key, name === '' ? title : `${title}, ${name}`],
  };
};

/** The motors of a job: one in each wheel, or two on the driven axle, are looked at each by itself. */
export function benchMotors({ build }: Job): readonly BenchMotor[] {
  const { wheel } = build.drive;
  if (motorCount(build) === 1) return [motor('', wheel)];
  if (drivesBoth(build)) {
    const other = wheel === 'front' ? 'rear' : 'front';
    return [motor(wheel, wheel), motor(other, other, true)];
  }
  return isHubMotor(build)
    ? [motor('left', wheel), motor('right', wheel, true)]
    : [motor('first', wheel), motor('second', wheel, true)];
}

/** Said first of a point at one of two motors. */
export const ALONE = 'The other motor’s plug parted. ';

/** The key of a point that a second pack has too. */
export const ofIndex = (key: string, index: number): string =>
  index === 0 ? key : `${key}-${String(index + 1)}`;
