import { qty } from '../quantity/phrase.ts';
import { optional, reading, wrong, type MeasureHelper } from './helper.ts';

/** Chalk on the tyre is read to this, mm. */
const CHALK_MM = 7.2;

/** Roll-out by chalk on the floor, rider on. */
export const rollOut: MeasureHelper = {
  id: 'roll-out',
  title: 'Roll-out on the floor',
  how: 'Chalk across the tyre, rider on, tyres at riding pressure: roll straight for a few turns and measure from the first mark to the last.',
  caution: undefined,
  readings: [
    reading('mm', 'From the first mark to the last', 'mm', [500, 30000], 1, 0),
    reading('turns', 'Turns', '1', [1, 12], 1, 0),
  ],
  work: ({ mm = 0, turns = 1 }) => ({
    ok: true,
    values: [{ path: 'donor.rolloutMm', value: mm / turns, sd: CHALK_MM / turns }],
    words: [qty(mm / turns, 'mm', 0), ' a turn.'],
  }),
};

/** Standard deviation of a scale, kg, and of a height by raising the front, mm. */
const SCALE_KG = 0.5;
const RAISED_MM = 30;

/** Centre of mass by a scale under each wheel: a = front L/m; height r + L dR/(m tan a), sin a = h/L. Moments; derived. */
export const scales: MeasureHelper = {
  id: 'scales',
  title: 'Centre of mass by a scale',
  how: 'Rider and load on, one wheel on the scale, the other on a block as high. For the height raise the front wheel by a step and read the rear again.',
  caution: 'Let somebody hold the machine.',
  readings: [
    reading('front', 'Front on the scale', 'kg', [1, 400], 0.1, 1),
    reading('rear', 'Rear on the scale', 'kg', [1, 400], 0.1, 1),
    optional(reading('raisedMm', 'Front wheel raised by', 'mm', [50, 800], 5, 0)),
    optional(reading('moreKg', 'Rear then shows more by', 'kg', [0.1, 200], 0.1, 1)),
  ],
  work: ({ front = 0, rear = 0, raisedMm, moreKg }, { known: { donor }, machine }) => {
    const mass = front + rear;
    const L = donor.wheelbaseMm.value;
    const ahead = (front * L) / mass;
    const first = { path: 'donor.massAheadMm', value: ahead, sd: (SCALE_KG * L) / mass } as const;
    if (raisedMm === undefined || moreKg === undefined)
      return { ok: true, values: [first], words: [qty(mass, 'kg', 1), ' in all.'] };
    if (raisedMm >= L) return wrong('The front cannot be raised by more than the wheelbase.');
    const slope = raisedMm / Math.sqrt(L * L - raisedMm * raisedMm);
    const height = 1000 * machine.wheelRadius + (L * moreKg) / (mass * slope);
    return {
      ok: true,
      values: [first, { path: 'donor.massHeightMm', value: height, sd: RAISED_MM }],
      words: [qty(mass, 'kg', 1), ' in all.'],
    };
  },
};

/** Grade by a spirit level and a gap under its end: 100 h/l. */
export const level: MeasureHelper = {
  id: 'level',
  title: 'Grade with a spirit level',
  how: 'Lay the level along the road, lift its low end until the bubble stands, and measure the gap under it.',
  caution: 'Step off the road first.',
  readings: [
    reading('lengthMm', 'Length of the level', 'mm', [100, 3000], 1, 0),
    reading('gapMm', 'Gap under its end', 'mm', [0, 1000], 1, 0),
  ],
  work: ({ lengthMm = 1, gapMm = 0 }) =>
    gapMm >= lengthMm
      ? wrong('The gap is larger than the level is long.')
      : {
          ok: true,
          // Rise over run: the level itself lies level.
          values: [{ path: 'brief.hillGradePct', value: (100 * gapMm) / lengthMm, sd: 100 / lengthMm }],
          words: ['One place of the road: take a few, and their mean.'],
        },
};

/** Standard deviation of a telephone's slope, read both ways round, %. */
const TELEPHONE_PCT = 0.4;

/** Grade by a telephone's level, both ways round: its own zero falls out. 100 tan((a1 - a2)/2). */
export const telephone: MeasureHelper = {
  id: 'telephone',
  title: 'Grade with a telephone, both ways round',
  how: 'Lay it on a board along the road and read the angle, uphill counted as plus; turn board and telephone end for end and read again. A zero that is off falls out.',
  caution: 'Step off the road first.',
  readings: [
    reading('first', 'Angle, in degrees', 'deg', [-45, 45], 0.1, 1),
    reading('turned', 'Turned round, in degrees', 'deg', [-45, 45], 0.1, 1),
  ],
  work: ({ first = 0, turned = 0 }) => {
    const value = 100 * Math.tan((((first - turned) / 2) * Math.PI) / 180);
    if (value < 0) return wrong('It falls that way: the hill rises the other way round.');
    return {
      ok: true,
      values: [{ path: 'brief.hillGradePct', value, sd: TELEPHONE_PCT }],
      words: ['The zero of the telephone is off by ', qty((first + turned) / 2, 'deg', 1), '.'],
    };
  },
};
