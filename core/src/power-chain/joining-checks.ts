import { asked, measured, told, type Check } from '../check/check.ts';
import type { Known, KnownBuild } from '../document/known-build.ts';
import { supplyAt } from '../machine/battery.ts';
import { sameKind } from '../machine/joined-packs.ts';
import { packsAboard } from '../machine/packs-aboard.ts';
import type { PackAboard } from '../machine/machine.ts';
import { couldTurn } from '../machine/span.ts';
import { qty } from '../quantity/phrase.ts';
import { equalisingAmps } from '../ride/packs-together.ts';
import { idOfPack, ofPack } from '../document/pack-names.ts';
import type { PowerSubject } from './subject.ts';

/** Packs joined directly have to stand this near in volts a cell. Common practice, no source. */
const JOIN_V = 0.1;

/** Whether several packs may be joined the way they are: unlike ones only by switch or diodes. */
export function joiningChecks(s: PowerSubject): readonly Check[] {
  const { build, known } = s;
  if (build.packs.length === 1) return [];
  const [first, ...others] = packsAboard(build, known);
  return [
    branchFuses(s),
    ...others.flatMap((other, i) =>
      build.joining.how === 'parallel' ? directly(s, first, other, i + 1) : [aboveCutoff(s, other, i + 1)],
    ),
  ];
}

/** One fuse behind the place where packs meet guards neither their leads before it nor one pack from the others. */
function branchFuses({ build: { joining } }: PowerSubject): Check {
  const { branchFuses: each, how } = joining;
  const bare = how === 'parallel' ? 'stop' : 'look';
  return told({
    id: 'branch-fuses',
    group: 'joining',
    title: 'A fuse or breaker at each pack',
    state: each === 'no' ? bare : 'fine',
    words: { yes: 'one each', no: 'one for all', unknown: 'not checked' }[each],
    limit: ['one each, near its pack'],
    why: [
      how === 'parallel'
        ? 'A pack that fails inside is fed by the others: only a fuse in its own branch opens.'
        : `A fuse behind the ${how === 'switch' ? 'switch' : 'combiner'} does not guard the lead that comes from each pack.`,
    ],
    remedy: ['Fit a direct-current fuse or breaker in each branch, within a hand’s width of its pack.'],
    origin: 'common practice',
    inputs: [],
    asked: [asked('a fuse at each pack', each)],
  });
}

/** A half-full pack stands so far above the cut-off that a hill does not end its ride. Common practice, no source. */
const ROOM_ABOVE = 1.05;

/** A pack that is switched to, or joins in, has to stand above the controller's cut-off. */
function aboveCutoff({ build, known, machine }: PowerSubject, { pack }: PackAboard, index: number): Check {
  const volts = supplyAt(pack, 0.5).openVolts;
  return measured({
    id: idOfPack('above-cutoff', index - 1),
    group: 'joining',
    title: `Above the controller’s cut-off${ofPack(build, index)}`,
    value: volts,
    unit: 'V',
    sense: 'least',
    fine: machine.limits.lowVolts * ROOM_ABOVE,
    look: machine.limits.lowVolts,
    limit: ['above ', qty(machine.limits.lowVolts, 'V')],
    why: ['Half full it rests at ', qty(volts, 'V'), '; the controller stops below its cut-off.'],
    remedy: ['Take a pack with as many cells in series, or a controller whose cut-off follows the pack.'],
    origin: 'derived',
    inputs: [
      ...knownOf(known, index, 'cellsInSeries'),
      ...couldTurn(known.controller.lowVoltageCutoffV, (cutoff) => volts >= cutoff * ROOM_ABOVE),
    ],
  });
}

const knownOf = (
  known: KnownBuild,
  index: number,
  key: 'cellsInSeries' | 'chargeLimitPct',
): readonly Known[] => {
  const one = known.packs[index]?.[key];
  return one === undefined ? [] : [one];
};

/** Packs joined without anything between them. */
function directly(
  { build, known }: PowerSubject,
  first: PackAboard,
  other: PackAboard,
  index: number,
): readonly Check[] {
  const kind = sameKind(first.pack, other.pack);
  const apart =
    Math.abs(supplyAt(first.pack, first.charge).openVolts - supplyAt(other.pack, other.charge).openVolts) /
    Math.max(first.pack.cellsInSeries, 1);
  const amps = equalisingAmps(first.pack, other.pack, first.charge, other.charge);
  const cells = [known.packs[0].cellsInSeries, ...knownOf(known, index, 'cellsInSeries')];
  const charges = [known.packs[0].chargeLimitPct, ...knownOf(known, index, 'chargeLimitPct')];
  return [
    told({
      id: idOfPack('parallel-kind', index - 1),
      group: 'joining',
      title: `Joined directly, of one kind${ofPack(build, index)}`,
      state: kind ? 'fine' : 'stop',
      words: kind ? 'same cells in series' : 'unlike packs',
      limit: ['same chemistry, same cells in series'],
      why: [
        'The higher pack charges the lower without any limit: about ',
        qty(amps, 'A', 0),
        ' at the touch.',
      ],
      remedy: ['Use them one at a time by a switch, or through an ideal-diode combiner.'],
      origin: 'common practice',
      inputs: cells,
    }),
    measured({
      id: idOfPack('parallel-volts', index - 1),
      group: 'joining',
      title: `Volts apart before joining, a cell${ofPack(build, index)}`,
      value: apart,
      unit: 'V',
      sense: 'most',
      fine: JOIN_V,
      look: JOIN_V,
      limit: ['at most ', qty(JOIN_V, 'V')],
      why: ['Joined like this, ', qty(amps, 'A', 0), ' flow from one into the other at first.'],
      remedy: ['Charge both to the same volts before they are joined, and measure both.'],
      origin: 'common practice',
      source: 'difference of open volts over both resistances',
      inputs: [...cells, ...charges],
    }),
  ];
}
