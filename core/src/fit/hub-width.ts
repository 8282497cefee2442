import { firstOf } from '../quantity/first-of.ts';
import { qty } from '../quantity/phrase.ts';
import { measured, type Bounded, type Check } from '../check/check.ts';
import { askedIfSteelTurns, driven } from './driven-end.ts';
import type { Subject } from './subject.ts';

/** Slack that nuts and washers take up, mm. Common practice, no source. */
const SLACK_MM = 0.5;
/** Steel may be cold-set by this much in all, mm. Common practice, no source. */
const COLD_SET_MM = 5;
/** Washers fill a gap of this much in all; beyond it adapters are made for the fork. Common practice, no source. */
const WASHERS_MM = 10;
/** A gap beyond this is another kind of fork: adapters and a longer axle are made for it, or there are none. */
const ADAPTERS_MM = 55;
/** Nut and washer outside each dropout, mm. Common practice: a 12 mm nut and a tabbed washer. */
const NUT_MM = 12;

const dropouts = (s: Subject) => (s.hub === 'front' ? s.known.donor.frontOldMm : s.known.donor.rearOldMm);

function tooWide(s: Subject): Check {
  const { donor, drive } = s.known;
  const here = s.hub === 'front' ? donor.frontOldMm : donor.rearOldMm;
  const wider = drive.overLocknutMm.value - here.value;
  const steel = driven(s) === 'steel';
  const judged = (isSteel: boolean): Bounded => ({
    value: wider,
    sense: 'most',
    fine: SLACK_MM,
    look: isSteel ? COLD_SET_MM : SLACK_MM,
  });
  const why = firstOf(
    [
      [
        wider > SLACK_MM && steel,
        [
          'The motor is ',
          qty(wider, 'mm', 1),
          ' wider than the dropouts. Steel can be cold-set about ',
          qty(COLD_SET_MM, 'mm', 0),
          ' in all.',
        ],
      ],
      [
        wider > SLACK_MM,
        ['The motor is ', qty(wider, 'mm', 1), ' wider than the dropouts, and only steel can be cold-set.'],
      ],
    ],
    ['The motor goes between the dropouts as they are.'],
  );
  return measured({
    id: 'hub-width',
    group: 'frame',
    title: 'Hub wider than the dropouts',
    unit: 'mm',
    ...judged(steel),
    limit: ['at most ', qty(SLACK_MM, 'mm', 1), steel ? ', cold-set to 5 mm' : ''],
    why,
    remedy: firstOf(
      [
        [
          wider > COLD_SET_MM || (wider > SLACK_MM && !steel),
          ['Take a motor of ', qty(here.value, 'mm', 0), ', or another donor. Do not force it.'],
        ],
        [
          wider > SLACK_MM,
          ['Cold-set the frame, half on each side, and check that the dropouts stay parallel.'],
        ],
      ],
      ['Nothing to do.'],
    ),
    origin: 'common practice',
    source: 'usual widths: front 100 mm; rear 130, 135, 142 or 148 mm',
    inputs: [here, drive.overLocknutMm],
    asked: askedIfSteelTurns(s, [here, drive.overLocknutMm], judged),
  });
}

function tooNarrow(s: Subject): Check {
  const { drive } = s.known;
  const here = dropouts(s);
  const gap = here.value - drive.overLocknutMm.value;
  return measured({
    id: 'hub-narrow',
    group: 'frame',
    title: 'Hub narrower than the dropouts',
    value: gap,
    unit: 'mm',
    sense: 'most',
    fine: SLACK_MM,
    look: ADAPTERS_MM,
    limit: [
      'at most ',
      qty(SLACK_MM, 'mm', 1),
      '; washers to ',
      qty(WASHERS_MM, 'mm', 0),
      ', adapters beyond',
    ],
    why: [
      'Between nut and dropout ',
      qty(gap / 2, 'mm', 1),
      ' stay open on each side: clamped together without a filling the dropouts bend in and crack.',
    ],
    remedy:
      gap <= WASHERS_MM
        ? ['Fill with axle washers or spacers, the same on both sides where the dish allows it.']
        : [
            'Take a motor of ',
            qty(here.value, 'mm', 0),
            ', or adapters that fill ',
            qty(gap / 2, 'mm', 1),
            ' on each side and bear the torque, with an axle long enough for them. Disc and rim move as well.',
          ],
    origin: 'common practice',
    source: 'usual widths: front 100 mm; rear 130, 135, 142 or 148 mm; fat forks 135 to 150 mm',
    inputs: [here, drive.overLocknutMm],
  });
}

/** Axle that goes through both dropouts, with nut and washer. */
function axleLength(s: Subject): Check {
  const { donor, drive } = s.known;
  const here = dropouts(s);
  const needed = here.value + 2 * (donor.dropoutMm.value + NUT_MM);
  return measured({
    id: 'axle-length',
    group: 'frame',
    title: 'Axle from end to end',
    value: drive.axleLengthMm.value,
    unit: 'mm',
    sense: 'least',
    fine: needed,
    look: needed - 4,
    limit: ['at least ', qty(needed, 'mm', 0), ': dropouts, both plates, nuts and washers'],
    why: ['What fills the gap takes thread from the nuts: a nut that is not full lets go.'],
    remedy: ['Take a motor with a longer axle, or one of the right width.'],
    origin: 'common practice',
    limitFrom: [here, donor.dropoutMm],
    inputs: [drive.axleLengthMm, here, donor.dropoutMm],
  });
}

/** The motor between the dropouts: too wide, or too narrow. */
export function widthChecks(s: Subject): readonly Check[] {
  const [here, own] = [dropouts(s), s.known.drive.overLocknutMm];
  const known = here.source !== 'unknown' && own.source !== 'unknown';
  const narrower = known && here.value - own.value > SLACK_MM;
  return narrower ? [tooNarrow(s), axleLength(s)] : [tooWide(s)];
}
