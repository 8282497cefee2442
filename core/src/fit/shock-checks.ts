import { qty } from '../quantity/phrase.ts';
import { asked, measured, told, type Check } from '../check/check.ts';
import type { PlacedBox } from '../document/frame-of.ts';
import { IS_SPRUNG, swingsBehind } from '../document/sprung.ts';
import { inFrame, shockRoom } from './pack-room.ts';
import { ROOM_MM, outline, sizes } from './pack-size.ts';
import type { Subject } from './subject.ts';

/** A frame that is drawn with its shock: looked at through the whole travel. */
function drawnShock(s: Subject, boxes: readonly PlacedBox[]): readonly Check[] {
  const all = boxes.flatMap((box) => shockRoom(s, box) ?? []);
  if (all.length === 0) return [];
  const mm = Math.min(...all);
  return [
    measured({
      id: 'pack-shock',
      group: 'battery',
      title: 'Pack to shock and rocker',
      value: mm,
      unit: 'mm',
      sense: 'least',
      fine: ROOM_MM,
      look: ROOM_MM,
      limit: ['at least ', qty(ROOM_MM, 'mm', 0), ' through the whole travel'],
      why: ['Looked at from full length to full stroke.'],
      remedy:
        mm < ROOM_MM
          ? ['Move the pack forward, or take a smaller box.']
          : ['Let the air out and test by hand.'],
      origin: 'common practice',
      inputs: [...sizes(s, boxes), s.known.donor.shockStrokeMm],
      asked: [outline(s)],
    }),
  ];
}

/** A rear end that swings on a frame of another style: the room is measured by hand, with the spring let out. */
function measuredShock(s: Subject, boxes: readonly PlacedBox[]): readonly Check[] {
  const { style } = s.build.donor;
  const swings = swingsBehind(s.build);
  const { swingRoomMm } = s.known.donor;
  if (boxes.length === 0 || swings === 'no') return [];
  if (swings === 'unknown')
    return [
      told({
        id: 'pack-shock',
        group: 'battery',
        title: 'Pack to what swings',
        state: 'look',
        words: '',
        limit: ['at least ', qty(ROOM_MM, 'mm', 0), ' through the whole travel'],
        why: ['A rear end that swings, or folds, can crush a pack that has room at rest.'],
        remedy: ['Let the spring out, or take the shock off, and swing it through by hand.'],
        origin: 'common practice',
        inputs: [],
        asked: [asked(IS_SPRUNG, swings)],
      }),
    ];
  return [
    measured({
      id: 'pack-shock',
      group: 'battery',
      title: 'Pack to what swings',
      value: swingRoomMm.value,
      unit: 'mm',
      sense: 'least',
      fine: ROOM_MM,
      look: ROOM_MM,
      limit: ['at least ', qty(ROOM_MM, 'mm', 0), ' through the whole travel, and folded'],
      why: [
        style === 'folding'
          ? 'It swings and folds: the least room of both counts.'
          : 'Measured with the spring let out, swung through by hand.',
      ],
      remedy: ['Move the pack off what swings, or take a smaller box: a crushed pack burns.'],
      origin: 'common practice',
      inputs: [swingRoomMm],
    }),
  ];
}

/** Packs against a rear end that swings. */
export function shockChecks(s: Subject): readonly Check[] {
  const boxes = inFrame(s);
  const drawn = drawnShock(s, boxes);
  return drawn.length > 0 ? drawn : measuredShock(s, boxes);
}
