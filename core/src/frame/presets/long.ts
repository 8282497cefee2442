import { shifted, toward, type Point } from '../point.ts';
import { frontEnd, riderOver, type Preset } from '../preset.ts';
import { onRack, rack, rackPoints } from './rack.ts';

/** Two saddles; the bracket of the chain is the stoker's. */
export const tandem: Preset = {
  points: ({ wheelbase, frontRadius, rearRadius }, { front, bracket }) => {
    const captain: Point = { x: wheelbase * 0.634, y: bracket.y };
    const f = frontEnd(front, { headDeg: 73, rake: 50, axleToCrown: frontRadius + 46, headTube: 150 });
    const stokerSaddle = toward(bracket, 107, 650);
    const captainSaddle = toward(captain, 107, 720);
    const [stokerMass, captainMass] = [riderOver(stokerSaddle), riderOver(captainSaddle)];
    return {
      captainBracket: captain,
      seatTop: toward(bracket, 107, 462),
      topRear: toward(bracket, 107, 420),
      captainTop: toward(captain, 107, 552),
      topLow: toward(captain, 107, 500),
      crown: f.crown,
      headLow: f.headLow,
      headTop: f.headTop,
      topFront: f.up(122),
      downFront: f.up(34),
      saddle: stokerSaddle,
      captainSaddle,
      rider: { x: (stokerMass.x + captainMass.x) / 2, y: (stokerMass.y + captainMass.y) / 2 },
      load: { x: -40, y: 2 * rearRadius + 170 },
      bare: { x: wheelbase * 0.47, y: bracket.y + 270 },
      ...rackPoints(rearRadius),
    };
  },
  tubes: [
    { name: 'seatstay', ends: ['rear', 'topRear'], diameter: 17 },
    { name: 'chainstay', ends: ['rear', 'bracket'], diameter: 22 },
    { name: 'seat tube', ends: ['bracket', 'seatTop'], diameter: 32 },
    { name: 'seat tube', ends: ['captainBracket', 'captainTop'], diameter: 32 },
    { name: 'top tube', ends: ['topFront', 'topLow'], diameter: 32 },
    { name: 'top tube', ends: ['topLow', 'topRear'], diameter: 30 },
    { name: 'down tube', ends: ['captainBracket', 'downFront'], diameter: 38 },
    { name: 'main tube', ends: ['bracket', 'captainBracket'], diameter: 38 },
    { name: 'lateral tube', ends: ['bracket', 'downFront'], diameter: 28 },
    { name: 'fork', ends: ['crown', 'front'], diameter: 27 },
    { name: 'head tube', ends: ['headLow', 'headTop'], diameter: 42 },
    { name: 'seat post', ends: ['seatTop', 'saddle'], diameter: 27 },
    { name: 'seat post', ends: ['captainTop', 'captainSaddle'], diameter: 27 },
    ...rack,
  ],
  places: [
    {
      place: 'lateral-tube',
      line: ['bracket', 'downFront'],
      bears: 'lateral tube',
      side: 1,
      startMm: 390,
      standoffMm: 20,
    },
    onRack,
    {
      place: 'down-tube',
      line: ['captainBracket', 'downFront'],
      bears: 'down tube',
      side: 1,
      startMm: 330,
      standoffMm: 25,
    },
  ],
};

/** A reclined seat between the wheels, cranks on a boom ahead of the front wheel. */
export const recumbent: Preset = {
  points: ({ wheelbase, rearRadius, frontRadius }) => {
    const seatFoot: Point = { x: wheelbase * 0.52, y: 430 };
    const seatBack: Point = { x: wheelbase * 0.15, y: 940 };
    const headLow: Point = { x: wheelbase - 42, y: Math.max(490, 2 * frontRadius + 30) };
    return {
      seatFoot,
      seatBack,
      headLow,
      headTop: shifted(headLow, -28, 80),
      rider: { x: wheelbase * 0.43, y: 660 },
      load: { x: 60, y: 2 * rearRadius + 80 },
      bare: { x: wheelbase * 0.5, y: 420 },
      ...rackPoints(rearRadius),
    };
  },
  tubes: [
    { name: 'chainstay', ends: ['rear', 'seatFoot'], diameter: 34 },
    { name: 'main tube', ends: ['seatFoot', 'headLow'], diameter: 46 },
    { name: 'boom tube', ends: ['headLow', 'bracket'], diameter: 46 },
    { name: 'seat frame', ends: ['seatBack', 'seatFoot'], diameter: 30 },
    { name: 'head tube', ends: ['headLow', 'headTop'], diameter: 40 },
    { name: 'fork', ends: ['headLow', 'front'], diameter: 28 },
    ...rack,
  ],
  places: [
    {
      place: 'behind-seat',
      line: ['seatFoot', 'seatBack'],
      bears: 'seat frame',
      side: 1,
      startMm: 400,
      standoffMm: 62,
    },
    onRack,
    {
      place: 'main-tube',
      line: ['seatFoot', 'headLow'],
      bears: 'main tube',
      side: 1,
      startMm: 300,
      standoffMm: 29,
    },
  ],
};
