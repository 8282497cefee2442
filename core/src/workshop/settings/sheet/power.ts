import { fullChargeVolts } from '../../../machine/battery.ts';
import { BRAKING_SHARE } from '../../../power-chain/charge-checks.ts';
import type { BuildDocument } from '../../../document/document.ts';
import type { Known, KnownBuild } from '../../../document/known-build.ts';
import { ofPack } from '../../../document/pack-names.ts';
import { miscutPacks } from '../../../power-chain/cutoff-span.ts';
import { motorCount } from '../../../document/motors.ts';
import { qty, type Phrase } from '../../../quantity/phrase.ts';
import type { Chain } from '../../../power-chain/chain.ts';
import type { Job } from '../../job.ts';
import { isKnown, setting, valueOf, type Amiss, type Setting } from './setting.ts';

/** A cut-off that is meant for other cells than those of a pack aboard. */
function miscutAt(build: BuildDocument, known: KnownBuild): Amiss | undefined {
  const [pack] = miscutPacks(build, known);
  return (
    pack && { state: 'stop', why: ['set for another pack', ofPack(build, pack.index), ': ', ...pack.why] }
  );
}

/** More than the weakest link carries. */
const tooMuch = (weakest: Chain['weakest']): Amiss | undefined =>
  weakest?.state === 'look' || weakest?.state === 'stop'
    ? { state: weakest.state, why: [`${weakest.name}: `, ...weakest.why] }
    : undefined;

const boardFirst = (leftV: number): Amiss | undefined =>
  leftV > 0
    ? undefined
    : {
        state: 'stop',
        why: ['the board opens before the motor is cut: help, display and lights end at once'],
      };

/** Amps and volts of pack and motor. */
export function power({ build, known, machine, chain }: Job): readonly Setting[] {
  const { controller } = known;
  const weakest = chain.weakest;
  const board = known.packs[0].boardCutoffV;
  const low = controller.lowVoltageCutoffV;
  const cells = known.packs[0].cellsInSeries;
  const full = fullChargeVolts(machine.pack);
  const drawn = motorCount(build) * controller.batteryCurrentA.value;
  /** Of two controllers each is set so; pack and plugs carry what both draw. */
  const of = (amps: Known): Phrase =>
    motorCount(build) === 1 || amps.source === 'unknown'
      ? []
      : ['; set in each of the two controllers, together ', qty(2 * amps.value, 'A', 0)];
  return [
    setting({
      key: 'battery-amps',
      name: 'Battery current',
      unit: 'A',
      of: controller.batteryCurrentA,
      plan: valueOf(controller.batteryCurrentA),
      amiss: isKnown(controller.batteryCurrentA) ? tooMuch(weakest) : undefined,
      because:
        weakest?.continuousA === undefined
          ? ['no link of the chain is known yet']
          : [
              ...(isKnown(controller.batteryCurrentA) && drawn > weakest.continuousA
                ? ['more than it carries for long: ']
                : []),
              `weakest link, ${weakest.name.toLowerCase()}: `,
              qty(weakest.continuousA, 'A', 0),
              ' continuous',
              ...of(controller.batteryCurrentA),
            ],
      ifWrong: 'Too high opens the protection on a hill or heats plugs; too low climbs slowly.',
    }),
    setting({
      key: 'phase-amps',
      name: 'Phase current',
      unit: 'A',
      of: controller.phaseCurrentA,
      plan: valueOf(controller.phaseCurrentA),
      because: [
        'pull at a standstill, and heat of winding and phase leads',
        ...(motorCount(build) === 1 ? [] : ['; set in each of the two controllers']),
      ],
      ifWrong: 'Too high burns winding and leads at walking pace; too low starts weakly.',
    }),
    setting({
      key: 'low-volts',
      name: 'Cut-off voltage',
      unit: 'V',
      of: low,
      plan: valueOf(low),
      amiss: isKnown(low) ? miscutAt(build, known) : undefined,
      because:
        isKnown(cells) && isKnown(low)
          ? [`${String(cells.value)} in series at `, qty(low.value / cells.value, 'V', 2), ' a cell']
          : ['cells in series or the cut-off are not known'],
      ifWrong: 'Set for another number of cells it empties the pack to death, or stops on the first hill.',
    }),
    setting({
      key: 'low-volts-fold',
      name: 'Fold back from',
      unit: 'V',
      plan:
        isKnown(low) && isKnown(controller.lowVoltageFoldV)
          ? low.value + controller.lowVoltageFoldV.value
          : undefined,
      because: isKnown(controller.lowVoltageFoldV)
        ? [qty(controller.lowVoltageFoldV.value, 'V', 1), ' above the cut-off']
        : ['over how many volts it fades is not known'],
      ifWrong: 'Without it the motor stops at once where the volts sag.',
    }),
    ...(build.supply.accessories.some((a) => a.light)
      ? [
          setting({
            key: 'lights-reserve',
            name: 'Left for the lights',
            unit: 'V',
            plan: isKnown(low) && isKnown(board) ? low.value - board.value : undefined,
            amiss: isKnown(low) && isKnown(board) ? boardFirst(low.value - board.value) : undefined,
            because: [
              'motor’s cut-off less the board’s, ',
              ...(isKnown(board) ? [qty(board.value, 'V', 1)] : ['not known']),
            ],
            ifWrong: 'With none the lights go out with the motor.',
          }),
        ]
      : []),
    ...(build.controller.regenerates === 'yes'
      ? [
          setting({
            key: 'regen-amps',
            name: 'Regeneration',
            unit: 'A',
            of: controller.regenA,
            plan: valueOf(controller.regenA),
            because: isKnown(known.packs[0].maxChargeA)
              ? [
                  'cells take ',
                  qty(known.packs[0].maxChargeA.value, 'A', 0),
                  ' of charge, and ',
                  qty(BRAKING_SHARE * known.packs[0].maxChargeA.value, 'A', 0),
                  ' for seconds (common practice)',
                ]
              : ['what the cells take is not known'],
            ifWrong: 'Above what the cells take it plates lithium: a fire years later.',
          }),
          setting({
            key: 'regen-volts',
            name: 'Regeneration ends at',
            unit: 'V',
            plan: isKnown(cells) ? full : undefined,
            because: [isKnown(cells) ? 'the pack’s full charge' : 'cells in series are not known'],
            ifWrong: 'Above it a full pack is charged further down the first hill.',
          }),
        ]
      : []),
  ];
}
