import { helpLimit, throttleEnds } from '../../document/throttle.ts';
import { WALK_KMH } from '../speed-facts.ts';
import { firstOf } from '../../quantity/first-of.ts';
import { profilesOf } from '../profile.ts';
import { qty, type Phrase } from '../../quantity/phrase.ts';
import type { State } from '../../check/state.ts';
import { limitsOn, type Scene, type Trap } from './trap.ts';

/** The rating and what the heat model holds are called apart when they differ by more than the model's own doubt. */
const DOUBT = 1.3;

function rating({ build, facts, held, inputW, place }: Scene): Trap {
  const rated = facts.ratedPowerW?.high;
  const input: Phrase = [
    build.controller.limitsPower ? 'The controller lets in at most ' : 'Volts times amps are ',
    qty(inputW, 'W', 0),
    ' of electrical input: by itself it breaks no limit on rated power. ',
  ];
  const model: Phrase = [
    'By the heat model the motor holds about ',
    qty(held.watts, 'W', 0),
    held.heat
      ? ' at its shaft for thirty minutes.'
      : ' at its shaft for thirty minutes, set by the controller and not by heat.',
  ];
  const asked = limitsOn(place, 'ratedPowerW').length > 0;
  const base = { code: 'rating', title: 'Rated, peak and input are three different watts' };
  if (!asked) return { ...base, state: 'fine', detail: [...input, 'No class here limits the rated power.'] };
  if (rated === undefined)
    return {
      ...base,
      state: 'unknown',
      detail: [...input, ...model, ' The rating itself is not known: the maker’s test record decides.'],
    };
  const apart = held.watts > rated * DOUBT;
  return {
    ...base,
    state: apart ? 'look' : 'fine',
    detail: [
      ...input,
      ...model,
      apart
        ? ' That is well above the rating: a sticker does not make a rating, so keep the maker’s test record.'
        : ' That goes with the rating.',
    ],
  };
}

function volts({ build, known, facts, fullV }: Scene): Trap {
  const nominal = known.packs[0].nominalV.value;
  const base = { code: 'volts', title: 'More volts and taller gears raise the speed' };
  const held = helpLimit(build, known) !== undefined;
  const free = profilesOf(build).find(
    (way) => way.sure !== false && helpLimit(way.build, known) === undefined,
  );
  if (held && free !== undefined)
    return {
      ...base,
      state: 'look',
      detail: [
        `The controller ends the help by speed as it is set; in “${free.name}” nothing does, and there a fuller or a larger pack is a faster one.`,
      ],
    };
  if (held)
    return {
      ...base,
      state: 'fine',
      detail: [
        'The controller ends the help by speed, so a fuller or a larger pack does not move the limit.',
      ],
    };
  const end = facts.assistEndKmh?.high ?? 0;
  return {
    ...base,
    state: 'look',
    detail: [
      build.controller.limitsSpeed
        ? 'The limit does not hold the throttle: its speed follows the volts ('
        : 'No speed limit is set: the speed follows the volts (',
      qty(fullV, 'V', 1),
      ' full, ',
      qty(nominal, 'V', 0),
      ' on the label)',
      build.drive.kind === 'mid-drive' ? ' and the tallest gear, in which it is judged: ' : ': ',
      qty(end, 'km/h', 1),
      ' unloaded.',
    ],
  };
}

function wheel({ build, known }: Scene): Trap {
  const set = known.controller.setRolloutMm;
  const true_ = known.donor.rolloutMm.value;
  const base = { code: 'wheel', title: 'The wheel size in the controller' };
  if (!build.controller.limitsSpeed && build.controls.throttle !== 'walk' && !throttleEnds(build))
    return { ...base, state: 'fine', detail: ['No speed is limited, so none is read wrong.'] };
  if (set.source === 'unknown')
    return {
      ...base,
      state: 'unknown',
      detail: ['Read which roll-out the controller holds: every speed it limits is off by the same share.'],
    };
  const off = true_ / set.value - 1;
  return {
    ...base,
    state: firstOf(
      [
        [Math.abs(off) < 0.002, 'fine'],
        [off > 0, 'stop'],
      ],
      'look',
    ),
    detail: [
      'It holds ',
      qty(set.value, 'mm', 0),
      ', the wheel rolls ',
      qty(true_, 'mm', 0),
      firstOf(
        [
          [off > 0.002, `: every limit is ${(100 * off).toFixed(1)} % too fast.`],
          [off < -0.002, `: every limit is ${(-100 * off).toFixed(1)} % too slow.`],
        ],
        ': right.',
      ),
    ],
  };
}

function switches({ build }: Scene): Trap {
  const base = { code: 'switch', title: 'Off-road modes, hidden menus and bypass wires' };
  const ways = profilesOf(build).filter(({ sure = true }) => sure).length - 1;
  if (ways > 0)
    return {
      ...base,
      state: 'look',
      detail: [
        `${String(ways)} ${ways === 1 ? 'way' : 'ways'} of riding that the rider can switch to ${ways === 1 ? 'is' : 'are'} judged with the rest, and the worst counts. “Private land” is about use: the machine is what it can be switched to.`,
      ],
    };
  if (build.controller.lifted === 'planned')
    return {
      ...base,
      state: 'look',
      detail: [
        'Planned so that the rider cannot lift the limit: look for wires, jumpers and menus once it is fitted.',
      ],
    };
  return build.controller.lifted === 'unknown'
    ? {
        ...base,
        state: 'unknown',
        detail: [
          'Say whether a wire, a jumper or a menu lets the rider lift the limit: it would be judged without one.',
        ],
      }
    : {
        ...base,
        state: 'fine',
        detail: [
          'The rider cannot lift the limit. Anti-tampering rules (EN 15194, and others) ask for that.',
        ],
      };
}

function throttle({ build, facts, place }: Scene): Trap {
  const base = { code: 'throttle', title: 'A hand control that drives it alone' };
  if (facts.throttle.answer === 'unknown')
    return {
      ...base,
      state: 'unknown',
      detail: [
        'Find out how fast the walk key drives it: beyond ',
        qty(WALK_KMH, 'km/h', 0),
        ' it is a throttle.',
      ],
    };
  if (facts.throttle.answer === 'no')
    return {
      ...base,
      state: 'fine',
      detail: [
        build.controls.throttle === 'pedalling'
          ? 'The throttle works only while the pedals turn: try it, and keep it so.'
          : 'None is fitted that goes beyond walk help.',
      ],
    };
  const broken = place.failing.some(
    ({ clause }) =>
      (clause.kind === 'number' && clause.fact === 'throttleAloneKmh') ||
      (clause.kind === 'answer' && clause.fact === 'throttle'),
  );
  return {
    ...base,
    state: broken ? 'stop' : 'look',
    detail: [
      broken
        ? 'It changes the class here. One that only works while the pedals turn would not.'
        : 'Allowed here; in pedal-assist places (EU, Britain, Norway, Japan, Singapore and more) it changes the class.',
    ],
  };
}

function labelled({ build, known, facts }: Scene): Trap {
  const base = { code: 'label', title: 'The label against the settings' };
  if (build.controls.classLabel !== 'yes')
    return {
      ...base,
      state: build.controls.classLabel === 'no' ? 'look' : 'unknown',
      detail: ['A label has to say what the controller really does. The class sheet prints one.'],
    };
  const { labelSpeedKmh, labelPowerW } = known.controls;
  if (labelSpeedKmh.source === 'unknown' && labelPowerW.source === 'unknown')
    return {
      ...base,
      state: 'unknown',
      detail: [
        'There is a label; write down which speed and power it states, to hold them against the settings.',
      ],
    };
  const end = facts.assistEndKmh?.high ?? 0;
  const rated = facts.ratedPowerW?.high;
  const fast = labelSpeedKmh.source !== 'unknown' && end > labelSpeedKmh.value + 0.5;
  const strong = labelPowerW.source !== 'unknown' && rated !== undefined && rated > labelPowerW.value + 1;
  return {
    ...base,
    state: fast || strong ? 'stop' : 'fine',
    detail: [
      ...(fast
        ? ['It states ', qty(labelSpeedKmh.value, 'km/h', 1), ', help ends at ', qty(end, 'km/h', 1), '. ']
        : []),
      ...(strong
        ? ['It states ', qty(labelPowerW.value, 'W', 0), ', the motor is rated ', qty(rated, 'W', 0), '. ']
        : []),
      fast || strong
        ? 'A label that understates the machine is worse than none.'
        : 'It states what the machine does.',
    ],
  };
}

function stopping({ facts }: Scene): Trap {
  const { twoBrakes, brakesCutMotor } = facts;
  const state: State = firstOf(
    [
      [twoBrakes.answer === 'no', 'stop'],
      [twoBrakes.answer === 'unknown' || brakesCutMotor.answer === 'unknown', 'unknown'],
      [brakesCutMotor.answer === 'no', 'look'],
    ],
    'fine',
  );
  return {
    code: 'brakes',
    state,
    title: 'A legal donor can be a bad conversion',
    detail: [
      twoBrakes.answer === 'no'
        ? 'One brake alone: some laws let a bicycle have it, no conversion should. '
        : '',
      'Most instruments want the motor cut by the brakes or by stopping to pedal.',
    ],
  };
}

/** Mistakes in the machine and its settings. Sources: the rule files' own texts; common practice. */
export const MACHINE_TRAPS = [rating, volts, wheel, switches, throttle, labelled, stopping] as const;
