import { firstOf } from '../quantity/first-of.ts';
import { qty } from '../quantity/phrase.ts';
import { asked, measured, told, type Check } from '../check/check.ts';
import type { PlacedBox } from '../document/frame-of.ts';
import type { Known } from '../document/known-build.ts';
import { couldTurn } from '../machine/span.ts';
import type { PackPlace } from '../frame/names.ts';
import {
  betweenBoxes,
  betweenKnees,
  bossRoom,
  carried,
  feetRoom,
  inFrame,
  mayHaveBosses,
  nearestRooms,
  seatedMm,
  tightest,
} from './pack-room.ts';
import { ROOM_MM, outline, sizes } from './pack-size.ts';
import { shockChecks } from './shock-checks.ts';
import type { Subject } from './subject.ts';

/** Boxes up to this width pass between knees and between cranks, mm. Common practice, no source. */
const NARROW_MM = 100;

const widthOf = ({ known: { packs } }: Subject, box: PlacedBox): Known =>
  (packs[box.pack] ?? packs[0]).boxWidthMm;
const widths = (s: Subject, boxes: readonly PlacedBox[]): readonly Known[] => [
  ...new Set(boxes.map((box) => widthOf(s, box))),
];
function room(s: Subject): readonly Check[] {
  const boxes = inFrame(s);
  if (boxes.length === 0) return [];
  const found = tightest(nearestRooms(s).flatMap((near) => near ?? []));
  const mm = found?.mm ?? 0;
  return [
    measured({
      id: 'pack-room',
      group: 'battery',
      title: 'Room round the pack',
      value: mm,
      unit: 'mm',
      sense: 'least',
      fine: ROOM_MM,
      look: 0,
      limit: ['at least ', qty(ROOM_MM, 'mm', 0)],
      why:
        mm < 0
          ? [`The box runs into the ${found?.what ?? 'frame'} by `, qty(-mm, 'mm', 0), '.']
          : [`Nearest is the ${found?.what ?? 'frame'}.`],
      remedy: ['Move the pack, or take a smaller box.'],
      origin: 'common practice',
      inputs: sizes(s, boxes),
      asked: [outline(s)],
    }),
  ];
}

/** A cradle lifts the box off its tube by no more than this, mm. Common practice, no source. */
const CRADLE_MM = 30;

function seat(s: Subject): readonly Check[] {
  const boxes = inFrame(s);
  const gaps = boxes.flatMap((box) => seatedMm(s, box, box.place) ?? []);
  if (gaps.length === 0) return [];
  const deep = Math.min(...gaps);
  return [
    measured({
      id: 'pack-seat',
      group: 'battery',
      title: 'Pack into the tube that carries it',
      value: Math.max(0, -deep),
      unit: 'mm',
      sense: 'most',
      fine: 0.5,
      look: 0.5,
      limit: ['not at all'],
      why: firstOf(
        [
          [deep < -0.5, ['The box cuts into its own tube.']],
          [
            Math.max(...gaps) > CRADLE_MM,
            ['The box stands ', qty(Math.max(...gaps), 'mm', 0), ' off its tube: the cradle must reach.'],
          ],
        ],
        ['The box lies on its cradle.'],
      ),
      remedy: ['Move it off the tube.'],
      origin: 'derived',
      inputs: sizes(s, boxes),
      asked: [outline(s)],
    }),
  ];
}

function bosses(s: Subject): readonly Check[] {
  const boxes = inFrame(s);
  if (boxes.length === 0 || !mayHaveBosses(s)) return [];
  const found = tightest(boxes.flatMap((box) => bossRoom(s, box, box.place)));
  const base = {
    id: 'pack-boss',
    group: 'battery' as const,
    title: 'Pack to bottle bosses',
    origin: 'common practice' as const,
    inputs: sizes(s, boxes),
    asked: [outline(s), asked('bottle bosses', s.build.donor.bosses === null ? 'unknown' : 'known')],
  };
  if (found === undefined) {
    return [
      told({
        state: 'fine',
        words: 'none in the way',
        limit: ['at least ', qty(3, 'mm', 0)],
        why: ['No boss stands where the pack is; those of its own tube carry the cradle.'],
        remedy: ['Nothing to do.'],
        ...base,
      }),
    ];
  }
  return [
    measured({
      value: found.mm,
      unit: 'mm',
      sense: 'least',
      fine: 3,
      look: 0,
      limit: ['at least ', qty(3, 'mm', 0)],
      why:
        found.mm < 0
          ? [`The box sits on the ${found.what}, `, qty(-found.mm, 'mm', 0), ' too near.']
          : [`Nearest is the ${found.what}.`],
      remedy: ['Slide the pack along, or screw it to these bosses.'],
      ...base,
    }),
  ];
}

function knees(s: Subject): readonly Check[] {
  const boxes = inFrame(s);
  if (boxes.length === 0) return [];
  const between = boxes.filter((box) => betweenKnees(s, box));
  const wide = Math.max(0, ...between.map((box) => widthOf(s, box).value));
  return [
    measured({
      id: 'pack-knees',
      group: 'battery',
      title: 'Width between the knees',
      value: wide,
      unit: 'mm',
      sense: 'most',
      fine: NARROW_MM,
      look: NARROW_MM + 20,
      limit: ['at most ', qty(NARROW_MM, 'mm', 0)],
      why:
        between.length > 0 ? ['The pack lies where the knees pass.'] : ['The pack lies clear of the knees.'],
      remedy: ['Take a narrower box or another place.'],
      origin: 'common practice',
      inputs: [...sizes(s, boxes), ...widths(s, between)],
      asked: [outline(s)],
    }),
  ];
}

function feet(s: Subject): readonly Check[] {
  const boxes = inFrame(s);
  if (boxes.length === 0) return [];
  const wide = boxes.filter((box) => widthOf(s, box).value > NARROW_MM);
  const mm = Math.min(...boxes.map((box) => feetRoom(s, box)));
  const wideMm = Math.min(...wide.map((box) => feetRoom(s, box)));
  const { crankMm } = s.known.donor;
  const base = {
    id: 'pack-feet',
    group: 'battery' as const,
    title: 'Pack to cranks and heels',
    origin: 'common practice' as const,
    inputs: [
      ...sizes(s, boxes),
      ...widths(s, boxes),
      s.known.donor.bracketHeightMm,
      ...couldTurn(crankMm, (long) => wideMm + crankMm.value - long >= ROOM_MM),
    ],
    asked: [outline(s)],
    limit: ['at least ', qty(ROOM_MM, 'mm', 0), ', or no wider than ', qty(NARROW_MM, 'mm', 0)],
  };
  if (wide.length === 0 || wideMm >= ROOM_MM) {
    return [
      told({
        state: 'fine',
        words: mm >= ROOM_MM ? 'clear' : 'narrow enough',
        why: mm >= ROOM_MM ? ['The feet pass it by.'] : ['The cranks turn past a box as narrow as this.'],
        remedy: ['Nothing to do.'],
        ...base,
      }),
    ];
  }
  return [
    measured({
      value: wideMm,
      unit: 'mm',
      sense: 'least',
      fine: ROOM_MM,
      look: 0,
      why: ['Cranks, heels or toes strike a box of this width.'],
      remedy: ['Move it out of the sweep, or take a narrower box.'],
      ...base,
    }),
  ];
}

function apart(s: Subject): readonly Check[] {
  const mm = betweenBoxes(s.boxes);
  if (mm === undefined) return [];
  return [
    measured({
      id: 'pack-apart',
      group: 'battery',
      title: 'Between the boxes',
      value: mm,
      unit: 'mm',
      sense: 'least',
      fine: 2,
      look: 0,
      limit: ['at least ', qty(2, 'mm', 0)],
      why: mm < 0 ? ['Two boxes are in the same place.'] : ['The boxes lie side by side.'],
      remedy: mm < 2 ? ['Move one along.'] : ['Pad them, so that they do not chafe.'],
      origin: 'derived',
      inputs: sizes(s, s.boxes),
    }),
  ];
}

/** Places with a rating of their own. */
const RATED: ReadonlySet<PackPlace> = new Set(['rear-rack', 'deck']);

function rack(s: Subject): readonly Check[] {
  const on = carried(s).filter((box) => RATED.has(box.place));
  if (on.length === 0) return [];
  const { packs, brief, donor } = s.known;
  const shareKg = (box: PlacedBox): number =>
    (packs[box.pack]?.massKg.value ?? 0) / (s.build.packs[box.pack]?.boxes.length ?? 1);
  const kg = on.reduce((sum, box) => sum + shareKg(box), 0) + brief.loadMassKg.value;
  return [
    measured({
      id: 'rack-load',
      group: 'battery',
      title: 'Load on the carrier',
      value: kg,
      unit: 'kg',
      sense: 'most',
      fine: donor.rackLoadKg.value,
      look: donor.rackLoadKg.value,
      limit: ['at most ', qty(donor.rackLoadKg.value, 'kg', 0)],
      why: ['Pack and load ride on it together.'],
      remedy:
        kg > donor.rackLoadKg.value
          ? ['Put the pack into the frame, or take a stronger carrier.']
          : ['Screw a plate and a cradle to it.'],
      origin: 'common practice',
      source: 'the carrier’s own rating',
      limitFrom: [donor.rackLoadKg],
      inputs: [
        donor.rackLoadKg,
        ...packs.filter((_, i) => on.some((box) => box.pack === i)).map((pack) => pack.massKg),
        brief.loadMassKg,
      ],
    }),
  ];
}

/** Where the pack goes. */
export const batteryChecks = (s: Subject): readonly Check[] => [
  ...room(s),
  ...seat(s),
  ...bosses(s),
  ...shockChecks(s),
  ...knees(s),
  ...feet(s),
  ...apart(s),
  ...rack(s),
];
