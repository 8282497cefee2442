import { supplyAt } from '../machine/battery.ts';
import { stampedNumber } from '../quantity/stamped.ts';
import { qty } from '../quantity/phrase.ts';
import type { QuantityPath } from '../document/document.ts';
import { reading, optional, wrong, type MeasureHelper } from './helper.ts';

/** Copper's growth with temperature, 1/K (IEC 60028). */
const COPPER_PER_K = 0.00393;
/** Drop of the bridge at full throttle, V. From memory. */
const BRIDGE_V = 0.3;
/** Relative standard deviation of a spin: shown speed, volts and the drop. */
const SPIN_SD = 0.01;

/** Kv from the driven wheel in the air: Kv = n/(V - I0 R - 0.3), n by the roll-out that the display holds. Derived. */
export const spin: MeasureHelper = {
  id: 'spin',
  title: 'Kv from a spin of the wheel',
  how: 'Wheel off the ground, full throttle, no speed limit and no field weakening set. Read the shown speed, and volts and amps while it spins. In the middle: on the cog that is named.',
  caution: 'Keep hands, hair and straps out of the wheel, and stand beside it, not behind.',
  readings: [
    reading('kmh', 'Speed shown', 'km/h', [3, 200], 0.1, 1),
    reading('rolloutMm', 'Roll-out held by the display', 'mm', [500, 3500], 1, 0),
    reading('volts', 'Pack volts while it spins', 'V', [5, 200], 0.1, 1),
    reading('amps', 'Amps while it spins', 'A', [0, 50], 0.1, 1),
    {
      ...reading('cogTeeth', 'Cog that the chain runs on', 'T', [9, 60], 1, 0),
      when: (build) => build.drive.kind === 'mid-drive',
    },
  ],
  work: ({ kmh = 0, rolloutMm = 1, volts = 0, amps = 0, cogTeeth }, { build, known }) => {
    const middle = build.drive.kind === 'mid-drive';
    const { drive, gearing } = known;
    const external =
      build.drive.kind === 'external' ? drive.wheelSprocketTeeth.value / drive.motorSprocketTeeth.value : 1;
    // A motor in the middle turns the wheel by ring over cog, and itself by its reduction.
    const perWheel = middle
      ? ((cogTeeth ?? 1) / gearing.ringTeeth.value) * drive.reduction.value
      : drive.reduction.value * external;
    const wheelRpm = (kmh / 3.6 / (rolloutMm / 1000)) * 60;
    const free = volts - amps * drive.resistanceOhm.value - BRIDGE_V;
    if (free <= 0) return wrong('The volts are too low for these amps: read both while it spins.');
    const value = (wheelRpm * perWheel) / free;
    const guessed = drive.reduction.source === 'unknown';
    return {
      ok: true,
      values: [{ path: 'drive.kvRpmPerV', value, sd: value * SPIN_SD }],
      words: [
        qty(wheelRpm, 'rpm', 0),
        ' of the wheel on ',
        qty(free, 'V', 1),
        ...(guessed
          ? [
              `. The reduction inside is not known and taken as ${stampedNumber(drive.reduction.value, 2)}: speeds come out right, torque per amp as well; turns of the motor only with the right one`,
            ]
          : []),
        '.',
      ],
    };
  },
};

/** Pairs of leads further apart than this share have a fault. Common practice, no source. */
const PAIRS_APART = 0.05;

/** Winding resistance by volts and amps on two leads at a time, at 20 C. */
export const winding: MeasureHelper = {
  id: 'winding',
  title: 'Winding resistance by volts and amps',
  how: 'Leads off the controller. Send 1 to 5 A through two of them and a 21 W lamp, and read the drop at the plug; then the other two pairs at the same amps. Not with an ohm meter.',
  caution: 'A fuse of 5 A in the lead; the wheel may twitch.',
  readings: [
    reading('amps', 'Current', 'A', [0.2, 20], 0.01, 2),
    reading('first', 'Drop, first pair', 'mV', [1, 20000], 1, 0),
    optional(reading('second', 'Drop, second pair', 'mV', [1, 20000], 1, 0)),
    optional(reading('third', 'Drop, third pair', 'mV', [1, 20000], 1, 0)),
    reading('celsius', 'Temperature of the motor', 'C', [-20, 60], 1, 0),
  ],
  work: ({ amps = 1, first = 0, second, third, celsius = 20 }) => {
    const all = [first, second, third].filter((mv) => mv !== undefined).map((mv) => mv / 1000 / amps);
    const [low, high] = [Math.min(...all), Math.max(...all)];
    if (high / low - 1 > PAIRS_APART)
      return wrong(
        'The pairs differ by ',
        qty(100 * (high / low - 1), '%', 0),
        ': a joint, a lead or the winding has a fault.',
      );
    const mean = all.reduce((sum, r) => sum + r, 0) / all.length;
    const value = mean / (1 + COPPER_PER_K * (celsius - 20));
    // A meter's per cent on volts and on amps, and what the pairs differ by.
    const sd = value * Math.hypot(0.012, 0.012, (high / low - 1) / 2);
    return {
      ok: true,
      values: [{ path: 'drive.resistanceOhm', value, sd }],
      words: [qty(mean, 'ohm', 4), ' as it is, ', qty(value, 'ohm', 4), ' at 20 °C.'],
    };
  },
};

/** Standard deviation of a reading of pack volts, V. */
const VOLT_SD = 0.06;

/** Pack resistance by its sag between two currents, each held for ten seconds; what is not the cells' is the wiring's. */
export const sag: MeasureHelper = {
  id: 'sag',
  title: 'Resistance of the pack by its sag',
  how: 'Hold a small and a large current for ten seconds each, on the road or a climb, and read volts and amps at the end of each. Within a second only two thirds of it show.',
  caution: 'Let somebody else read, or a camera: look where you ride.',
  readings: [
    reading('v1', 'Volts, small current', 'V', [5, 200], 0.1, 1),
    reading('i1', 'Amps, small', 'A', [0, 100], 0.1, 1),
    reading('v2', 'Volts, large current', 'V', [5, 200], 0.1, 1),
    reading('i2', 'Amps, large', 'A', [1, 300], 0.1, 1),
  ],
  work: ({ v1 = 0, i1 = 0, v2 = 0, i2 = 0 }, { machine, known, pack }) => {
    if (i2 - i1 < 3) return wrong('The currents are too near each other: 3 A apart at least.');
    const ohm = (v1 - v2) / (i2 - i1);
    if (ohm <= 0) return wrong('The volts do not fall with the current: read them again.');
    const path: QuantityPath = `packs.${String(pack) as '0' | '1' | '2' | '3'}.wiringMohm`;
    const aboard = pack === 0 ? machine.pack : machine.others[pack - 1]?.pack;
    const wiring = known.packs[pack]?.wiringMohm.value ?? 0;
    const cells = supplyAt(aboard ?? machine.pack, 0.5).ohm - wiring / 1000;
    const sd = (Math.SQRT2 * VOLT_SD) / (i2 - i1);
    const rest = ohm - cells;
    if (rest < -2 * sd)
      return wrong(
        'The whole pack shows ',
        qty(1000 * ohm, 'mohm', 0),
        ', less than its cells alone are taken for (',
        qty(1000 * cells, 'mohm', 0),
        '): its health is better than entered, or the amps were not held for ten seconds.',
      );
    return {
      ok: true,
      values: [{ path, value: 1000 * Math.max(0, rest), sd: 1000 * sd }],
      words: [
        'The whole pack shows ',
        qty(1000 * ohm, 'mohm', 0),
        ', of which its cells take ',
        qty(1000 * cells, 'mohm', 0),
        '.',
      ],
    };
  },
};
