import type { State } from '../../check/state.ts';
import { NOTHING_SET, type ToldSetting } from '../../document/settings.ts';
import type { Known } from '../../document/known-build.ts';
import { fullChargeVolts } from '../../machine/battery.ts';
import { qty, type Phrase } from '../../quantity/phrase.ts';
import type { Unit } from '../../quantity/units.ts';
import type { Job } from '../job.ts';

/** A setting of controller or display, worked out from the plan. */
export interface Setting {
  /** Made of what it is, and of the profile where there are several. */
  readonly key: string;
  readonly name: string;
  readonly unit: Unit;
  /** Undefined where the plan has no value that somebody has said. */
  readonly plan: number | undefined;
  readonly digits: number;
  readonly because: Phrase;
  /** What happens where it is wrong. */
  readonly ifWrong: string;
  /** How far it may be off and be the same. */
  readonly tolerance: number;
}

/** How a setting stands against the plan. */
export type Stands =
  | { readonly kind: 'same' | 'not-entered' | 'not-read' | 'no-plan'; readonly state: State }
  /** Put in otherwise than the plan has it. */
  | { readonly kind: 'wrong'; readonly state: State; readonly by: number }
  /** Put in as planned, and shown otherwise: the controller did not take it. */
  | { readonly kind: 'not-taken'; readonly state: State; readonly by: number };

export interface SettingRow {
  readonly setting: Setting;
  readonly told: ToldSetting;
  readonly stands: Stands;
}

const isKnown = ({ source }: Known): boolean => source !== 'unknown';
const valueOf = (known: Known): number | undefined => (isKnown(known) ? known.value : undefined);

interface Draft extends Omit<Setting, 'tolerance' | 'digits'> {
  readonly tolerance?: number;
  readonly digits?: number;
}
/** A step of what such settings are usually entered in. Common practice, no source. */
const USUAL_TOLERANCE = 0.05;
const setting = (draft: Draft): Setting => ({
  tolerance: USUAL_TOLERANCE,
  digits: 1,
  ...draft,
});

function power({ build, known, machine, chain }: Job): readonly Setting[] {
  const { controller } = known;
  const weakest = chain.weakest;
  const board = known.packs[0].boardCutoffV;
  const low = controller.lowVoltageCutoffV;
  const cells = known.packs[0].cellsInSeries;
  const full = fullChargeVolts(machine.pack);
  return [
    setting({
      key: 'battery-amps',
      name: 'Battery current',
      unit: 'A',
      plan: valueOf(controller.batteryCurrentA),
      because:
        weakest?.continuousA === undefined
          ? ['no link of the chain is known yet']
          : [`${weakest.name.toLowerCase()} holds `, qty(weakest.continuousA, 'A', 0)],
      ifWrong: 'Too high opens the protection on a hill or heats plugs; too low climbs slowly.',
    }),
    setting({
      key: 'phase-amps',
      name: 'Phase current',
      unit: 'A',
      plan: valueOf(controller.phaseCurrentA),
      because: ['pull at a standstill, and heat of winding and phase leads'],
      ifWrong: 'Too high burns winding and leads at walking pace; too low starts weakly.',
    }),
    setting({
      key: 'low-volts',
      name: 'Cut-off voltage',
      unit: 'V',
      plan: valueOf(low),
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
            plan: valueOf(controller.regenA),
            because: isKnown(known.packs[0].maxChargeA)
              ? ['cells take ', qty(known.packs[0].maxChargeA.value, 'A', 0), ' of charge']
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

function speed({ build, known }: Job): readonly Setting[] {
  const { controller, donor, drive, controls } = known;
  const turns = drive.polePairs.value * drive.reduction.value;
  return [
    ...(build.controller.limitsSpeed
      ? [
          setting({
            key: 'help-ends',
            name: 'Help ends at',
            unit: 'km/h',
            plan: valueOf(controller.assistCutoffKmh),
            because: ['Law holds the class against it'],
            ifWrong: 'It decides the class. A limit acts at the speed that the controller believes in.',
          }),
        ]
      : []),
    ...(build.controls.throttle === 'walk'
      ? [
          setting({
            key: 'walk-ends',
            name: 'Walk help to',
            unit: 'km/h',
            plan: valueOf(controls.walkCutoffKmh),
            because: ['the class allows walk help up to there'],
            ifWrong: 'Faster than walking it is a throttle, and another class.',
          }),
        ]
      : []),
    setting({
      key: 'roll-out',
      name: 'Roll-out',
      unit: 'mm',
      digits: 0,
      tolerance: 5,
      plan: valueOf(donor.rolloutMm),
      because: [
        donor.rolloutMm.source === 'measured'
          ? 'measured'
          : 'worked out from wheel and tyre: measure one turn with the rider on it',
      ],
      ifWrong: 'Every speed and every kilometre is off by the same share, and so is a speed limit.',
    }),
    ...(build.drive.kind === 'mid-drive' || build.drive.commutation === 'brushes'
      ? []
      : [
          setting({
            key: 'poles',
            name: 'Pulses a turn of the wheel',
            unit: '1',
            digits: 0,
            tolerance: 0.5,
            plan: isKnown(drive.polePairs) && isKnown(drive.reduction) ? Math.round(turns) : undefined,
            because:
              isKnown(drive.polePairs) && isKnown(drive.reduction)
                ? [`${String(drive.polePairs.value)} pole pairs times `, qty(drive.reduction.value, '1', 2)]
                : ['pole pairs or reduction are not known'],
            ifWrong: 'Magnets in place of pairs show half the speed: a limit then acts at double.',
          }),
        ]),
  ];
}

const heat = ({ build, known: { drive } }: Job): readonly Setting[] =>
  build.drive.windingSensor === 'yes'
    ? [
        setting({
          key: 'heat-start',
          name: 'Hold back from',
          unit: 'C',
          digits: 0,
          tolerance: 1,
          plan: valueOf(drive.rollbackStartC),
          because: ['magnets and varnish'],
          ifWrong: 'Too high weakens the magnets for good.',
        }),
        setting({
          key: 'heat-end',
          name: 'Nothing left at',
          unit: 'C',
          digits: 0,
          tolerance: 1,
          plan: valueOf(drive.rollbackEndC),
          because: ['before damage'],
          ifWrong: 'Without an end it is not held back at all.',
        }),
      ]
    : [];

function assist({ build, known }: Job): readonly Setting[] {
  const { controls } = build;
  return controls.assistSensor === 'none'
    ? []
    : [
        setting({
          key: 'levels',
          name: 'Levels of help',
          unit: '1',
          digits: 0,
          tolerance: 0.5,
          plan: controls.levels === 0 ? undefined : controls.levels,
          because: ['as the display counts them'],
          ifWrong: 'The display offers levels that the controller does not have.',
        }),
        ...(controls.assistSensor === 'torque'
          ? [
              setting({
                key: 'most-help',
                name: 'Help of the highest level',
                unit: '1',
                digits: 2,
                plan: valueOf(known.controls.assistRatio),
                because: ['motor watts per rider watt'],
                ifWrong: 'The range is that of another level.',
              }),
            ]
          : []),
      ];
}

/** Of each profile that can be switched to, what it sets otherwise. */
const profiles = ({ build }: Job): readonly Setting[] =>
  build.controller.profiles.flatMap((profile, i) => {
    const key = `profile-${String(i + 1)}`;
    const named = profile.name.trim() === '' ? `Profile ${String(i + 2)}` : profile.name;
    const because: Phrase = [
      profile.reach === 'rider' ? 'the rider can switch to it: Law counts it' : 'only with the programmer',
    ];
    return [
      ...(profile.batteryA === null
        ? []
        : [
            setting({
              key: `${key}/battery-amps`,
              name: `${named}: battery current`,
              unit: 'A',
              plan: profile.batteryA,
              because,
              ifWrong: 'As in the first profile.',
            }),
          ]),
      ...(profile.cutoffKmh === null
        ? []
        : [
            setting({
              key: `${key}/help-ends`,
              name: `${named}: help ends at`,
              unit: 'km/h',
              plan: profile.cutoffKmh,
              because,
              ifWrong: 'The fastest profile that the rider can reach decides the class.',
            }),
          ]),
    ];
  });

/** The settings sheet of a build. */
const settingsOf = (job: Job): readonly Setting[] => [
  ...power(job),
  ...speed(job),
  ...heat(job),
  ...assist(job),
  ...profiles(job),
];

function standsOf({ plan, tolerance }: Setting, { entered, readBack }: ToldSetting): Stands {
  if (entered === null && readBack === null)
    return plan === undefined
      ? { kind: 'no-plan', state: 'unknown' }
      : { kind: 'not-entered', state: 'unknown' };
  if (plan === undefined) return { kind: 'no-plan', state: 'unknown' };
  if (entered !== null && Math.abs(entered - plan) > tolerance)
    return { kind: 'wrong', state: 'stop', by: entered - plan };
  if (readBack === null) return { kind: 'not-read', state: 'unknown' };
  if (Math.abs(readBack - (entered ?? plan)) > tolerance)
    return entered === null
      ? { kind: 'wrong', state: 'stop', by: readBack - plan }
      : { kind: 'not-taken', state: 'look', by: readBack - entered };
  return { kind: 'same', state: 'fine' };
}

/** The sheet with what was put in and read back, each held against the plan. */
export function settingRows(job: Job): readonly SettingRow[] {
  const { lines } = job.build.settings;
  return settingsOf(job).map((one): SettingRow => {
    const told = lines[one.key] ?? NOTHING_SET;
    return { setting: one, told, stands: standsOf(one, told) };
  });
}
