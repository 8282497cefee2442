import { firstOf } from '../quantity/first-of.ts';
import { qty, type Phrase } from '../quantity/phrase.ts';
import { chainLinks } from './chain.ts';
import { asked, measured, told, type Check } from '../check/check.ts';
import { timingChain } from './kept-checks.ts';
import { crankTool } from './crank-and-cogs.ts';
import { STAY_GAP_MM, ringLineMm, spacerTrade, stayGapMm, type SpacerTrade } from './spacers.ts';
import type { Subject } from './subject.ts';

/** Shell widths given to half a millimetre. */
const SHELL_SLACK_MM = 0.5;

function shellWidth(s: Subject): Check {
  const { donor, drive } = s.known;
  const over = donor.shellWidthMm.value - drive.shellMaxMm.value;
  const under = drive.shellMinMm.value - donor.shellWidthMm.value;
  const miss = Math.max(over, under, 0);
  return measured({
    id: 'shell-width',
    group: 'bracket',
    title: 'Shell outside what the motor fits',
    value: miss,
    unit: 'mm',
    sense: 'most',
    fine: SHELL_SLACK_MM,
    look: under > 0 && over <= 0 ? 15 : SHELL_SLACK_MM,
    limit: [qty(drive.shellMinMm.value, 'mm', 0), ' to ', qty(drive.shellMaxMm.value, 'mm', 0)],
    why: firstOf(
      [
        [
          over > SHELL_SLACK_MM,
          ['The shell is ', qty(donor.shellWidthMm.value, 'mm', 1), ' wide: the motor’s shaft is too short.'],
        ],
        [
          under > SHELL_SLACK_MM,
          ['The shell is narrower than the motor’s shaft: spacers fill ', qty(under, 'mm', 1), '.'],
        ],
      ],
      ['The shaft goes through this shell. Usual shells: 68, 73, 83, 100 and 120 mm.'],
    ),
    remedy: firstOf(
      [
        [over > SHELL_SLACK_MM, ['Order the shaft for this shell, or another motor.']],
        [
          under > SHELL_SLACK_MM,
          ['Fit spacers on the side away from the drive, so that the chainline stays.'],
        ],
      ],
      ['Nothing to do.'],
    ),
    origin: 'common practice',
    source: 'usual shell widths 68, 73, 83, 100 and 120 mm',
    limitFrom: [drive.shellMinMm, drive.shellMaxMm],
    inputs: [donor.shellWidthMm, drive.shellMinMm, drive.shellMaxMm],
  });
}

/** Play of the motor's tube in the shell that needs no sleeve, mm. Common practice, no source. */
const TUBE_PLAY_MM = 1;

function shellBore(s: Subject): Check {
  const { donor, drive } = s.known;
  const play = donor.shellBoreMm.value - drive.tubeMm.value;
  const wall = play / 2;
  const state = firstOf(
    [
      [play < 0, 'stop'],
      [play <= TUBE_PLAY_MM, 'fine'],
    ],
    'look',
  );
  return told({
    id: 'shell-bore',
    group: 'bracket',
    title: 'Motor tube in the shell',
    state: s.build.donor.shell === 'none' ? 'stop' : state,
    words: firstOf(
      [
        [play < 0, `too small by ${(-play).toFixed(1)} mm`],
        [play <= TUBE_PLAY_MM, `play ${play.toFixed(1)} mm`],
      ],
      `sleeve of ${wall.toFixed(1)} mm wall`,
    ),
    limit: [
      'bore at least ',
      qty(drive.tubeMm.value, 'mm', 1),
      '; play at most ',
      qty(TUBE_PLAY_MM, 'mm', 0),
    ],
    why: firstOf(
      [
        [play < 0, ['The tube of the motor does not go through the shell.']],
        [play <= TUBE_PLAY_MM, ['The tube goes through a threaded 1.37 in x 24 shell without a sleeve.']],
      ],
      [
        'A larger unthreaded shell (41 or 46 mm) lets the motor tip: it wants a reducing sleeve from ',
        qty(donor.shellBoreMm.value, 'mm', 1),
        ' to ',
        qty(drive.tubeMm.value, 'mm', 1),
        '.',
      ],
    ),
    remedy: firstOf(
      [
        [play < 0, ['Take another motor or donor: the shell cannot be bored out.']],
        [play <= TUBE_PLAY_MM, ['Clear the bore of paint and cable guides.']],
      ],
      ['Fit a sleeve over the whole width of the shell, without play.'],
    ),
    origin: 'common practice',
    source: 'thread 1.37 in x 24 per inch',
    limitFrom: [drive.tubeMm],
    inputs: [donor.shellBoreMm, drive.tubeMm],
    asked: [asked('kind of shell', s.build.donor.shell)],
  });
}

/** Spacers that give room and keep the chainline. */
const spacersFor = ({ from }: SpacerTrade): Phrase =>
  from === undefined
    ? ['No spacer gives room and chainline both. Take a ring with more offset, or another donor.']
    : ['Fit ', qty(from, 'mm', 1), ' of spacers in all; the chainline still holds.'];

function stayGap(s: Subject): Check {
  const { donor, drive } = s.known;
  const gap = stayGapMm(drive.gearboxMm.value, drive.spacerMm.value, donor.stayReachMm.value);
  const trade = spacerTrade(s.known);
  return measured({
    id: 'gearbox-stay',
    group: 'bracket',
    title: 'Gearbox to chainstay, tightened',
    value: gap,
    unit: 'mm',
    sense: 'least',
    fine: STAY_GAP_MM,
    look: STAY_GAP_MM,
    limit: ['at least ', qty(STAY_GAP_MM, 'mm', 0)],
    why:
      gap < STAY_GAP_MM
        ? [
            'The gearbox bears on the stay, or will once it is tight: it dents the tube and the motor sits askew.',
          ]
        : ['The gearbox stands free of the stay.'],
    remedy: gap >= STAY_GAP_MM ? ['Nothing to do.'] : spacersFor(trade),
    origin: 'common practice',
    inputs: [donor.stayReachMm, drive.gearboxMm],
  });
}

function antiRotation(s: Subject): Check {
  const { bearsOnFrame } = s.build.drive;
  return told({
    id: 'anti-rotation',
    group: 'bracket',
    title: 'What keeps the motor from turning',
    state: bearsOnFrame === 'yes' ? 'fine' : 'stop',
    words: bearsOnFrame === 'yes' ? 'bears on frame or bracket' : 'nothing',
    limit: ['body bears on the frame or on a bracket'],
    why:
      bearsOnFrame === 'yes'
        ? ['The body bears on metal and cannot swing under load.']
        : ['Clamping alone does not hold: the motor swings, tears its cable and loosens.'],
    remedy: ['Fit the bracket to the down tube or stays.'],
    origin: 'common practice',
    inputs: [],
    asked: [asked('what the motor body bears on', bearsOnFrame)],
  });
}

/** Room under a motor body, mm: kerbs and speed bumps. Common practice, no source. */
const GROUND_MM = 150;

function ground(s: Subject): Check {
  const { donor, drive } = s.known;
  return measured({
    id: 'ground',
    group: 'bracket',
    title: 'Ground clearance under the motor',
    value: donor.bracketHeightMm.value - drive.bodyDropMm.value,
    unit: 'mm',
    sense: 'least',
    fine: GROUND_MM,
    look: 100,
    limit: ['at least ', qty(GROUND_MM, 'mm', 0)],
    why: [
      'Kerbs and ramps strike what hangs below the bracket.',
      s.build.donor.style === 'step-through' ? ' A bent down tube pushes the body further down.' : '',
    ],
    remedy: ['Turn the body up behind the down tube if it has room, fit a guard, or take a hub motor.'],
    origin: 'common practice',
    inputs: [donor.bracketHeightMm, drive.bodyDropMm],
  });
}

/** Cogs so small that only about four links hold. Common practice, no source. */
const SMALL_COG = 10;

function chainline(s: Subject): Check {
  const { donor, drive } = s.known;
  const ring = ringLineMm(donor.shellWidthMm.value, drive.ringLineMm.value, drive.spacerMm.value);
  const off = ring - donor.chainlineMm.value;
  const smallest = Math.min(...s.build.gearing.cogTeeth);
  return measured({
    id: 'chainline',
    group: 'bracket',
    title: 'Chainline off the middle cog',
    value: Math.abs(off),
    unit: 'mm',
    sense: 'most',
    fine: 5,
    look: 10,
    limit: ['at most ', qty(5, 'mm', 0), ', look to ', qty(10, 'mm', 0)],
    why: [
      'The ring stands ',
      qty(ring, 'mm', 1),
      ' from the middle plane, the middle cog ',
      qty(donor.chainlineMm.value, 'mm', 1),
      off > 0 ? ': the ring is outside it.' : ': the ring is inside it.',
      smallest <= SMALL_COG
        ? ` A cog of ${String(smallest)} teeth holds about four links and wears fast off line.`
        : '',
    ],
    remedy: [
      off > 0 ? 'Take spacers out, or a ring with more inward offset.' : 'Add spacers, or a flatter ring.',
    ],
    origin: 'common practice',
    inputs: [donor.chainlineMm, donor.shellWidthMm, drive.ringLineMm],
  });
}

/** True where a rear mechanism takes up the slack of the chain. */
const hasMechanism = (s: Subject): boolean => s.build.gearing.cogTeeth.length > 1;

/** Links of chain that the ring and the largest cog want. */
export const wantedLinks = (s: Subject, ring: number = s.known.gearing.ringTeeth.value): number =>
  chainLinks(
    Math.round(ring),
    Math.max(...s.build.gearing.cogTeeth),
    s.known.donor.chainstayMm.value,
    hasMechanism(s),
  );

function chainLength(s: Subject): Check {
  const { donor, gearing } = s.known;
  const wanted = wantedLinks(s);
  const short = wanted - donor.chainLinks.value;
  return measured({
    id: 'chain-length',
    group: 'bracket',
    title: 'Chain short by',
    value: short,
    unit: '1',
    sense: 'most',
    fine: 0,
    look: 0,
    limit: [
      `${String(wanted)} links for ${String(gearing.ringTeeth.value)} on ${String(Math.max(...s.build.gearing.cogTeeth))}`,
    ],
    why:
      short > 0
        ? [
            hasMechanism(s)
              ? 'Largest ring on largest cog pulls a short chain tight and can tear the mechanism off.'
              : 'The chain does not go round ring and cog.',
          ]
        : [
            hasMechanism(s)
              ? 'The chain goes round ring and largest cog with the mechanism’s inch to spare.'
              : 'The chain goes round ring and cog; slots or an eccentric take up what is left.',
          ],
    remedy: firstOf(
      [
        [short > 0, [`Fit a chain of ${String(wanted)} links, or keep off the largest cog.`]],
        [short <= -6, [`Take out ${String(-short)} links, or it hangs slack on the small cogs.`]],
      ],
      ['Nothing to do.'],
    ),
    origin: 'derived',
    source: 'pitch 12.7 mm, ISO 606; the inch to spare is common practice',
    inputs: [donor.chainLinks, donor.chainstayMm, gearing.ringTeeth],
  });
}

/** Bracket and chain of a mid-drive. */
export function bracketChecks(s: Subject): readonly Check[] {
  if (s.build.drive.kind !== 'mid-drive') return [];
  return [
    crankTool(s),
    ...timingChain(s),
    shellWidth(s),
    shellBore(s),
    stayGap(s),
    chainline(s),
    antiRotation(s),
    ground(s),
    chainLength(s),
  ];
}
