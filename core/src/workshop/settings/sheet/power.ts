import { hasBoard } from '../../../document/pack-board.ts';
import { packsAboard } from '../../../machine/packs-aboard.ts';
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

/** What the controller takes of the pack and gives to the motor. */
function currents({ build, known, chain }: Job): readonly Setting[] {
  const { controller } = known;
  const weakest = chain.weakest;
  const drawn = motorCount(build) * controller.batteryCurrentA.value;
  /** Of two controllers each is set so; pack and plugs carry what both draw. */
  const of = (amps: Known): Phrase =>
    motorCount(build) === 1 || amps.source === 'unknown'
      ? []
      : ['; set in each of the two controllers, together ', qty(2 * amps.value, 'A', 0)];
  const inEach = motorCount(build) === 1 ? [] : ['; set in each of the two controllers'];
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
    ...(build.controller.limitsPower
      ? [
          setting({
            key: 'power-limit',
            name: 'Power limit',
            unit: 'W',
            digits: 0,
            of: controller.powerLimitW,
            plan: valueOf(controller.powerLimitW),
            because: ['from the pack, at most', ...inEach],
            ifWrong: 'Higher, it is faster and hotter than was planned, and may be another class.',
          }),
        ]
      : []),
    setting({
      key: 'phase-amps',
      name: 'Phase current',
      unit: 'A',
      of: controller.phaseCurrentA,
      plan: valueOf(controller.phaseCurrentA),
      because: ['pull at a standstill, and heat of winding and phase leads', ...inEach],
      ifWrong: 'Too high burns winding and leads at walking pace; too low starts weakly.',
    }),
    ...(build.controller.weakens === 'yes' && build.drive.commutation !== 'brushes'
      ? [
          setting({
            key: 'weakening-amps',
            name: 'Field weakening',
            unit: 'A',
            of: controller.weakeningA,
            plan: valueOf(controller.weakeningA),
            because: ['current against the magnets, at most', ...inEach],
            ifWrong:
              'More is faster and hotter; where it fails at speed the motor’s volts rise past the controller’s.',
          }),
        ]
      : []),
  ];
}

/** Volts at which the first board opens, of packs that have one: undefined while those of any are not known. */
function firstBoardV(boards: readonly Known[]): number | undefined {
  return boards.every(isKnown) ? Math.max(...boards.map((b) => b.value)) : undefined;
}

/** Where volts end it, and what is left for the lights then. */
function ends({ build, known }: Job): readonly Setting[] {
  const { controller } = known;
  const boards = known.packs.flatMap((pack, i) => {
    const own = build.packs[i];
    return own !== undefined && hasBoard(own) ? [pack.boardCutoffV] : [];
  });
  const board = firstBoardV(boards);
  const lit = build.supply.accessories.some((a) => a.light);
  const low = controller.lowVoltageCutoffV;
  const cells = known.packs[0].cellsInSeries;
  return [
    setting({
      key: 'low-volts',
      name: 'Cut-off voltage',
      unit: 'V',
      of: low,
      plan: valueOf(low),
      amiss: isKnown(low) ? miscutAt(build, known) : undefined,
      because: [
        ...(isKnown(cells) && isKnown(low)
          ? [`${String(cells.value)} in series at `, qty(low.value / cells.value, 'V', 2), ' a cell']
          : ['cells in series or the cut-off are not known']),
        ...(lit && boards.length === 0 ? ['; no board below it: lamps left on go on emptying the pack'] : []),
      ],
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
    ...(lit && boards.length > 0
      ? [
          setting({
            key: 'lights-reserve',
            name: 'Left for the lights',
            unit: 'V',
            plan: isKnown(low) && board !== undefined ? low.value - board : undefined,
            amiss: isKnown(low) && board !== undefined ? boardFirst(low.value - board) : undefined,
            because: [
              'motor’s cut-off less ',
              boards.length > 1 ? 'that of the first board to open, ' : 'the board’s, ',
              ...(board === undefined ? ['not known'] : [qty(board, 'V', 1)]),
            ],
            ifWrong: 'With none the lights go out with the motor.',
          }),
        ]
      : []),
  ];
}

/** What braking with the motor gives back. */
function braking({ build, known }: Job): readonly Setting[] {
  const { controller, packs } = known;
  // Whichever pack is in use when it brakes: the lowest full charge, and the cells that take least.
  const fulls = packsAboard(build, known).map(({ pack }) => fullChargeVolts(pack));
  const full = Math.min(...fulls);
  const counted = packs.every(({ cellsInSeries }) => isKnown(cellsInSeries));
  const takes = packs.every(({ maxChargeA }) => isKnown(maxChargeA))
    ? Math.min(...packs.map(({ maxChargeA }) => maxChargeA.value))
    : undefined;
  const whose = fulls.some((volts) => volts > full) ? ofPack(build, fulls.indexOf(full)) : '';
  return [
    ...(build.controller.regenerates === 'yes'
      ? [
          setting({
            key: 'regen-amps',
            name: 'Regeneration',
            unit: 'A',
            of: controller.regenA,
            plan: valueOf(controller.regenA),
            because:
              takes === undefined
                ? ['what the cells take is not known']
                : [
                    'cells take ',
                    qty(takes, 'A', 0),
                    ' of charge, and ',
                    qty(BRAKING_SHARE * takes, 'A', 0),
                    ' for seconds (common practice)',
                  ],
            ifWrong: 'Above what the cells take it plates lithium: a fire years later.',
          }),
          setting({
            key: 'regen-volts',
            name: 'Regeneration ends at',
            unit: 'V',
            plan: counted ? full : undefined,
            because: [
              counted
                ? `the full charge${whose === '' ? ' of the pack' : `${whose}, the lowest of the packs`}`
                : 'cells in series are not known',
            ],
            ifWrong: 'Above it a full pack is charged further down the first hill.',
          }),
        ]
      : []),
  ];
}

/** Amps, watts and volts of pack and motor. */
export const power = (job: Job): readonly Setting[] => [...currents(job), ...ends(job), ...braking(job)];
