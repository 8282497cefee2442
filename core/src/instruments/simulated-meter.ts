import { supplyAt } from '../machine/battery.ts';
import type { Evidence, HoldPoint } from '../workshop/bench/hold-point.ts';
import { benchPacks, type BenchPack } from '../workshop/bench/scene.ts';
import type { Job } from '../workshop/job.ts';
import type { BenchInstrument, SimulatedFault } from './instrument.ts';
import { metered, noiseOf, type Noise } from './noise.ts';

/** Charge of the packs at the simulated bench, cells against each other, V; what the meter adds. Invented. */
const CHARGE = 0.9;
const GROUP_SD_V = 0.006;
const WEAK_V = 0.3;
const METER_SHARE = 0.002;
const SLOW = 0.8;

type Readings = Extract<Evidence, { kind: 'readings' }>;
interface Bench {
  readonly packs: readonly BenchPack[];
  readonly fault: SimulatedFault;
  readonly noise: Noise;
}

const restV = ({ pack }: BenchPack): number => supplyAt(pack, CHARGE).openVolts;
/** The pack that a point is of: its key ends in its number. */
const packOf = (packs: readonly BenchPack[], key: string): BenchPack | undefined =>
  packs[Number(/-(\d)$/.exec(key)?.[1] ?? 1) - 1] ?? packs[0];

/** Volts of series groups or blocks: near each other, one far below where that is the fault. */
function groupsOf(
  { fault, noise }: Bench,
  pack: BenchPack,
  count: number,
  outer: boolean,
): readonly number[] {
  const share = restV(pack) / (outer ? pack.pack.cellsInSeries : count);
  const volts = Array.from({ length: count }, () => share + GROUP_SD_V * noise.normal());
  if (fault === 'weak-group') volts[0] = share - WEAK_V;
  return outer ? volts.toSorted((a, b) => a - b) : volts;
}

const middle = ({ low, high }: Readings): number | undefined =>
  low === null || high === null ? undefined : (low + high) / 2;

/** True values at a point of readings, by what is measured there; undefined where the simulation knows nothing of it. */
function truthAt(bench: Bench, key: string, evidence: Readings): readonly number[] | undefined {
  const { packs, fault } = bench;
  const [group = '', what = ''] = key.split('/');
  const plain = what.replace(/-(?:\d+|second)$/, '');
  const pack = packOf(packs, what);
  const each = (value: number | undefined) =>
    value === undefined ? undefined : evidence.names.map(() => value);
  if (pack === undefined) return undefined;
  switch (`${group}/${plain}`) {
    case 'pack/blocks':
      return groupsOf(bench, pack, evidence.names.length, false);
    case 'pack/groups':
      return groupsOf(bench, pack, evidence.names.length, !pack.own);
    case 'pack/joined': {
      const joined = Number(/-(\d+)$/.exec(what)?.[1] ?? 1);
      return [(joined * restV(packs[0] ?? pack) * 6) / pack.pack.cellsInSeries];
    }
    case 'pack/together':
      return packs.map(restV);
    case 'pack/volts':
    case 'cold/on':
      return each(restV(pack));
    case 'pack/frame':
      return each(fault === 'pinched-lead' ? 0.02 : 12);
    case 'cold/off':
      return each(fault === 'bridged-breaker' ? restV(pack) : 0.03);
    case 'cold/apart':
      return each(0.02);
    case 'sensors/throttle-rest':
      return each(fault === 'high-throttle' ? 1.5 : 0.86);
    case 'stand/speed':
    case 'stand/speed-both': {
      const kmh = middle(evidence);
      return each(kmh === undefined ? undefined : kmh * (fault === 'slow-motor' ? SLOW : 1.01));
    }
    case 'power/pre-charge':
      return each(1.2);
    case 'power/display':
      return each(0.1);
    case 'power/standby':
    case 'sensors/supply':
    case 'sensors/throttle-full':
    case 'sensors/torque-rest':
    case 'stand/idle':
      return each(middle(evidence));
    default:
      return undefined;
  }
}

/** Last digits of a common meter, by unit. */
const DIGIT: Readonly<Record<string, number>> = { V: 0.01, Mohm: 0.1, mA: 1, A: 0.1, 'km/h': 0.1 };

/**
 * A bench with meters, a board that tells and a counter at the wheel, all simulated: volts from the pack's own curve at nine tenths of
 * charge, speed near the middle of what is expected, each with seeded noise and, if asked, one fault.
 * @param seed the same gives the same readings
 */
export function simulatedBench(job: Job, seed: number, fault: SimulatedFault = 'none'): BenchInstrument {
  const noise = noiseOf(seed);
  const bench: Bench = { packs: benchPacks(job), fault, noise };
  return {
    name: 'Simulated meter',
    simulated: true,
    read: ({ key, evidence }: HoldPoint) => {
      if (evidence.kind !== 'readings') return undefined;
      const digit = DIGIT[evidence.unit];
      if (digit === undefined) return undefined;
      return truthAt(bench, key, evidence)?.map((value) => {
        const fine = evidence.unit === 'V' && Math.abs(value) >= 20 ? 0.1 : digit;
        return Number(metered(value, METER_SHARE, fine, noise).toFixed(3));
      });
    },
  };
}
