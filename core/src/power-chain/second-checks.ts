import { measured, told, type Check } from '../check/check.ts';
import { supplyAt } from '../machine/battery.ts';
import { sameKind } from '../machine/joined-packs.ts';
import { firstPack, secondPack } from '../machine/machine.ts';
import { qty } from '../quantity/phrase.ts';
import { equalisingAmps } from '../ride/two-packs.ts';
import type { PowerSubject } from './subject.ts';

/** Packs joined directly have to stand this near in volts a cell. Common practice, no source. */
const JOIN_V = 0.1;

/** Whether a second pack may be joined the way it is: unlike ones only by switch or diodes. */
export function secondChecks({ build, known, machine }: PowerSubject): readonly Check[] {
  const other = secondPack(build, known);
  if (other === undefined) return [];
  const first = firstPack(build, known);
  const { second, pack } = known;
  const join = build.second.join;
  if (join !== 'parallel') {
    const volts = supplyAt(other, 0.5).openVolts;
    return [
      measured({
        id: 'second-above-cutoff',
        group: 'second',
        title: 'Second pack above the controller’s cut-off',
        value: volts,
        unit: 'V',
        sense: 'least',
        fine: machine.limits.lowVolts * 1.05,
        look: machine.limits.lowVolts,
        limit: ['above ', qty(machine.limits.lowVolts, 'V')],
        why: ['Half full it rests at ', qty(volts, 'V'), '; the controller stops below its cut-off.'],
        remedy: ['Take a pack with as many cells in series, or a controller whose cut-off follows the pack.'],
        origin: 'derived',
        inputs: [second.cellsInSeries],
      }),
    ];
  }
  const kind = sameKind(first, other);
  const apart =
    Math.abs(
      supplyAt(first, pack.chargeLimitPct.value / 100).openVolts -
        supplyAt(other, second.chargedPct.value / 100).openVolts,
    ) / Math.max(first.cellsInSeries, 1);
  const amps = equalisingAmps(first, other, pack.chargeLimitPct.value / 100, second.chargedPct.value / 100);
  return [
    told({
      id: 'parallel-kind',
      group: 'second',
      title: 'Packs joined directly are of one kind',
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
      inputs: [pack.cellsInSeries, second.cellsInSeries],
    }),
    measured({
      id: 'parallel-volts',
      group: 'second',
      title: 'Volts apart before joining, a cell',
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
      inputs: [pack.cellsInSeries, second.cellsInSeries, second.chargedPct],
    }),
  ];
}
