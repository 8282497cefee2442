import { between, shifted, toward, type Point } from '../point.ts';
import { frontEnd, riderOver, type PlaceSpec, type Preset, type TubeSpec } from '../preset.ts';
import { onRack, rack, rackPoints } from './rack.ts';

const SEAT_DEG = 108;

const fork: TubeSpec = { name: 'fork', ends: ['crown', 'front'], diameter: 27 };
const head: TubeSpec = { name: 'head tube', ends: ['headLow', 'headTop'], diameter: 42 };
const post: TubeSpec = { name: 'seat post', ends: ['seatTop', 'saddle'], diameter: 27 };
const onDownTube = (startMm: number): PlaceSpec => ({
  place: 'down-tube',
  line: ['bracket', 'downFront'],
  bears: 'down tube',
  side: 1,
  startMm,
  standoffMm: 24,
});
const onSeatTube = (startMm: number): PlaceSpec => ({
  place: 'seat-tube',
  line: ['bracket', 'seatTop'],
  bears: 'seat tube',
  side: -1,
  startMm,
  standoffMm: 22,
});
const behindSeatTube = (startMm: number): PlaceSpec => ({
  place: 'behind-seat-tube',
  line: ['bracket', 'seatTop'],
  bears: 'seat tube',
  side: 1,
  startMm,
  standoffMm: 22,
});

interface Shape {
  readonly headTube: number;
  readonly seat: number;
  readonly headDeg: number;
  /** Fork length above the radius of its wheel. */
  readonly crownRoom: number;
  readonly saddle: number;
}

function basics(shape: Shape, radius: number, front: Point, frontRadius: number, bracket: Point) {
  const f = frontEnd(front, {
    headDeg: shape.headDeg,
    rake: 48,
    axleToCrown: frontRadius + shape.crownRoom,
    headTube: shape.headTube,
  });
  const up = (mm: number): Point => toward(bracket, SEAT_DEG, mm);
  const saddle = up(shape.saddle);
  return {
    f,
    up,
    points: {
      seatTop: up(shape.seat),
      crown: f.crown,
      headLow: f.headLow,
      headTop: f.headTop,
      saddle,
      rider: riderOver(saddle),
      load: { x: -40, y: 2 * radius + 170 },
      bare: { x: (bracket.x + front.x) * 0.33, y: bracket.y + 270 },
      ...rackPoints(radius),
    },
  };
}

function triangle(shape: Shape, packAt: number): Preset {
  return {
    points: ({ rearRadius, frontRadius }, { front, bracket }) => {
      const { f, up, points } = basics(shape, rearRadius, front, frontRadius, bracket);
      return {
        ...points,
        topRear: up(shape.seat - 35),
        topFront: f.up(shape.headTube - 30),
        downFront: f.up(Math.min(34, shape.headTube * 0.25)),
      };
    },
    tubes: [
      { name: 'seatstay', ends: ['rear', 'topRear'], diameter: 18 },
      { name: 'chainstay', ends: ['rear', 'bracket'], diameter: 22 },
      { name: 'seat tube', ends: ['bracket', 'seatTop'], diameter: 30 },
      { name: 'top tube', ends: ['topRear', 'topFront'], diameter: 29 },
      { name: 'down tube', ends: ['bracket', 'downFront'], diameter: 36 },
      fork,
      head,
      post,
      ...rack,
    ],
    places: [onDownTube(packAt), onSeatTube(210), behindSeatTube(360), onRack],
  };
}

export const diamond = triangle({ headTube: 150, seat: 545, headDeg: 71, crownRoom: 55, saddle: 700 }, 350);

export const fat = triangle({ headTube: 130, seat: 490, headDeg: 69, crownRoom: 80, saddle: 700 }, 345);

export const smallWheel = triangle(
  { headTube: 270, seat: 430, headDeg: 71, crownRoom: 75, saddle: 700 },
  330,
);

const STEP: Shape = {
  headTube: 190,
  seat: 500,
  headDeg: 70,
  crownRoom: 55,
  saddle: 700,
};

/** Both tubes are bent down to the bracket, so that one can step through. */
export const stepThrough: Preset = {
  points: ({ rearRadius, frontRadius }, { front, bracket }) => {
    const { f, up, points } = basics(STEP, rearRadius, front, frontRadius, bracket);
    return {
      ...points,
      topRear: up(190),
      topLow: shifted(bracket, 190, 215),
      topFront: f.up(130),
      downLow: shifted(bracket, 235, 55),
      downFront: f.up(30),
    };
  },
  tubes: [
    { name: 'seatstay', ends: ['rear', { from: 'bracket', to: 'seatTop', share: 0.72 }], diameter: 18 },
    { name: 'chainstay', ends: ['rear', 'bracket'], diameter: 22 },
    { name: 'seat tube', ends: ['bracket', 'seatTop'], diameter: 30 },
    { name: 'top tube', ends: ['topRear', 'topLow'], diameter: 29 },
    { name: 'top tube', ends: ['topLow', 'topFront'], diameter: 29 },
    { name: 'down tube', ends: ['bracket', 'downLow'], diameter: 36 },
    { name: 'down tube', ends: ['downLow', 'downFront'], diameter: 36 },
    fork,
    head,
    post,
    ...rack,
  ],
  places: [onRack, behindSeatTube(360)],
};

const FOLD: Shape = {
  headTube: 120,
  seat: 330,
  headDeg: 72,
  crownRoom: 70,
  saddle: 690,
};

/** One main tube with a hinge, a long post and a long stem. */
export const folding: Preset = {
  points: ({ rearRadius, frontRadius }, { front, bracket }) => {
    const { f, up, points } = basics(FOLD, rearRadius, front, frontRadius, bracket);
    return { ...points, topRear: up(150), topFront: f.up(60) };
  },
  tubes: [
    { name: 'seatstay', ends: ['rear', { from: 'bracket', to: 'seatTop', share: 0.8 }], diameter: 18 },
    { name: 'chainstay', ends: ['rear', 'bracket'], diameter: 22 },
    { name: 'seat tube', ends: ['bracket', 'seatTop'], diameter: 34 },
    { name: 'main tube', ends: ['topRear', 'topFront'], diameter: 58 },
    fork,
    head,
    post,
    ...rack,
  ],
  places: [
    {
      place: 'main-tube',
      line: ['topRear', 'topFront'],
      bears: 'main tube',
      side: 1,
      startMm: 250,
      standoffMm: 35,
    },
    behindSeatTube(470),
    onRack,
  ],
};

const TRAIL: Shape = {
  headTube: 120,
  seat: 430,
  headDeg: 66,
  crownRoom: 165,
  saddle: 690,
};

/** Four-bar rear end: wheel and stays swing about the pivot, the rocker works the shock. */
export const fullSuspension: Preset = {
  points: ({ rearRadius, frontRadius }, { front, bracket }) => {
    const { f, up, points } = basics(TRAIL, rearRadius, front, frontRadius, bracket);
    const topRear = up(TRAIL.seat - 30);
    const topFront = f.up(85);
    const rocker = up(270);
    return {
      ...points,
      topRear,
      topFront,
      downFront: f.up(30),
      pivot: shifted(bracket, -12, 62),
      topLow: rocker,
      shockLow: shifted(rocker, 38, -49),
      shockTop: shifted(between(topRear, topFront, 0.3), 0, -30),
    };
  },
  tubes: [
    { name: 'seatstay', ends: ['rear', 'topLow'], diameter: 18 },
    { name: 'chainstay', ends: ['rear', 'pivot'], diameter: 24 },
    { name: 'seat tube', ends: ['bracket', 'seatTop'], diameter: 34 },
    { name: 'top tube', ends: ['topRear', 'topFront'], diameter: 36 },
    { name: 'down tube', ends: ['bracket', 'downFront'], diameter: 46 },
    { name: 'rocker', ends: ['topLow', 'shockLow'], diameter: 26 },
    { name: 'shock', ends: ['shockLow', 'shockTop'], diameter: 46 },
    { ...fork, diameter: 34 },
    head,
    post,
    ...rack,
  ],
  places: [onDownTube(330), onRack],
};
