import type { State } from '../../check/state.ts';
import type { BuildDocument } from '../../document/document.ts';
import { NOTHING_MEASURED, type Hazard } from '../../document/harness.ts';
import type { Cable } from './components.ts';
import { controllerUnsaid, type Run } from './runs.ts';

/** What a rule finds along a cable. */
export interface CableFinding {
  readonly rule: string;
  readonly state: State;
  readonly words: string;
  readonly remedy: string;
}

/** Least distance of a signal from phase leads, mm. Common practice, no source: 20 mm, or a screen. */
const APART_MM = 20;
/** Sensor leads may be shorter than the phase leads by this much before it is told, mm. */
const SENSOR_SHORT_MM = 30;

/** Two cables that begin and end at the same parts, or share a part at the motor, lie side by side. */
const beside = (a: Cable, b: Cable): boolean =>
  a.key !== b.key &&
  [a.fromComponent, a.toComponent].some(
    (c) => c.startsWith('motor') && (b.fromComponent === c || b.toComponent === c),
  );

interface Subject {
  readonly build: BuildDocument;
  readonly cable: Cable;
  readonly run: Run;
  readonly all: readonly Cable[];
  readonly runs: ReadonlyMap<string, Run>;
}

type CableRule = (s: Subject) => readonly CableFinding[];

const besidePhases: CableRule = ({ build, cable, all, run }) => {
  const phases = all.find((c) => c.kind === 'phase' && cable.kind === 'signal' && beside(cable, c));
  const said = build.harness.cables[cable.key] ?? NOTHING_MEASURED;
  if (phases === undefined || said.screened || (said.apartMm !== null && said.apartMm >= APART_MM)) return [];
  return [
    {
      rule: 'beside-phases',
      state: said.apartMm === null ? 'unknown' : 'look',
      words: `Beside the phase leads for ${run.along.toFixed(0)} mm${said.apartMm === null ? ': nobody has looked how near' : `, ${said.apartMm.toFixed(0)} mm away`}.`,
      remedy: `Keep ${String(APART_MM)} mm off, or screen it.`,
    },
  ];
};

const sensorsShort: CableRule = ({ cable, all, run, runs }) => {
  if (cable.kind !== 'phase') return [];
  const sensors = all.find((c) => c.key === cable.key.replace('-phases', '-halls'));
  const other = sensors === undefined ? undefined : runs.get(sensors.key);
  return other !== undefined && other.cut + SENSOR_SHORT_MM < run.cut
    ? [
        {
          rule: 'sensors-short',
          state: 'look',
          words: `The phase leads are ${(run.cut - other.cut).toFixed(0)} mm longer than the sensor lead beside them: the thin one takes the pull.`,
          remedy: 'Cut both to one length, the sensor lead a little longer.',
        },
      ]
    : [];
};

/** A plug against the hole that it has to pass. */
function passes(holeMm: number, plugMm: number | null): readonly CableFinding[] {
  const rule = 'plug-through-hole';
  if (plugMm === null)
    return [
      {
        rule,
        state: 'unknown',
        words: `It passes a hole of ${holeMm.toFixed(0)} mm, and nobody has measured its plug.`,
        remedy: 'Measure the plug across its corners.',
      },
    ];
  return plugMm <= holeMm
    ? []
    : [
        {
          rule,
          state: 'stop',
          words: `A plug of ${plugMm.toFixed(0)} mm does not pass a hole of ${holeMm.toFixed(0)} mm.`,
          remedy:
            'Photograph it and note the order of its pins, draw them one by one, pull a cord through for the next time. Battery out first.',
        },
      ];
}

const hole: CableRule = ({ build, cable }) => {
  const { holeMm, plugMm, grommet } = build.harness.cables[cable.key] ?? NOTHING_MEASURED;
  if (holeMm === null) return [];
  return [
    ...passes(holeMm, plugMm),
    ...(grommet
      ? []
      : [
          {
            rule: 'grommet',
            state: 'look' as const,
            words: 'The edge of a drilled tube cuts a lead through.',
            remedy: 'A grommet in the hole, and strain relief on both sides of it.',
          },
        ]),
  ];
};

const tooShort: CableRule = ({ run }) =>
  run.then === 'extend'
    ? [
        {
          rule: 'short',
          state: 'look',
          words: `${(run.extend ?? 0).toFixed(0)} mm too short for its way.`,
          remedy: 'Extend it, or take an extension with its plugs; look at full lock both ways.',
        },
      ]
    : [];

const tailUnknown: CableRule = ({ run }) =>
  run.then === 'unknown'
    ? [
        {
          rule: 'tail-unknown',
          state: 'unknown',
          words: 'What both parts bring of their own cable is not known: whether it reaches cannot be told.',
          remedy: 'Measure the tails of both halves, and type them under Pins; nought where a part has none.',
        },
      ]
    : [];

/** Drawn from a place that nobody has said: a string along the true way tells it as well. */
const placeUnsaid: CableRule = ({ build, cable, run }) =>
  run.alongFrom === 'drawing' &&
  [cable.fromComponent, cable.toComponent].some((one) => one === 'controller' || one === 'controller-2') &&
  controllerUnsaid(build)
    ? [
        {
          rule: 'controller-place',
          state: 'unknown',
          words: 'Where the controller sits is not said: the way is drawn from beside the first pack.',
          remedy: 'Say where it sits, or measure the way with a string.',
        },
      ]
    : [];

const HAZARD_WORDS: Readonly<Record<Hazard, readonly [words: string, remedy: string]>> = {
  rotor: [
    'It passes the axle on a wheel with a disc brake: nobody has seen it clear of rotor and caliper.',
    'Turn the wheel by hand with the brake worked; tie it to the stay or fork, away from the rotor.',
  ],
  chain: [
    'It lies along the chain: nobody has seen it clear in every gear.',
    'Lead it along the left stay where there is one, tied at every hand’s width.',
  ],
  crank: [
    'It passes the bracket: nobody has seen it clear of cranks, ring and heels.',
    'Turn the cranks once round and lean the heels in; tie it to the tube.',
  ],
  fold: [
    'It passes the fold: nobody has folded the machine with it.',
    'Fold and unfold it both ways; the loop goes on the side that stretches less.',
  ],
};

/** What turns or folds beside its way, until somebody has looked. */
const hazards: CableRule = ({ build, cable, run }) => {
  const { clearOf } = build.harness.cables[cable.key] ?? NOTHING_MEASURED;
  return run.hazards
    .filter((one) => !clearOf.includes(one))
    .map((one) => {
      const [words, remedy] = HAZARD_WORDS[one];
      return { rule: `clear-of-${one}`, state: 'unknown', words, remedy };
    });
};

const CABLE_RULES: readonly CableRule[] = [
  tooShort,
  placeUnsaid,
  tailUnknown,
  besidePhases,
  sensorsShort,
  hole,
  hazards,
];

/** What stands against a cable along its way. */
export const cableFindings = (s: Subject): readonly CableFinding[] => CABLE_RULES.flatMap((rule) => rule(s));
