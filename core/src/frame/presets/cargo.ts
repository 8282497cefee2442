import { shifted, toward, type Point } from '../point.ts';
import { frontEnd, riderOver, type Preset } from '../preset.ts';

/** A deck behind the saddle, on struts from the rear axle. */
export const longtail: Preset = {
  points: ({ frontRadius, rearRadius }, { front, bracket }) => {
    const f = frontEnd(front, { headDeg: 70, rake: 46, axleToCrown: frontRadius + 73, headTube: 160 });
    const up = (mm: number): Point => toward(bracket, 108, mm);
    const deck = Math.max(700, 2 * rearRadius + 60);
    const saddle = up(700);
    return {
      seatTop: up(500),
      topRear: up(430),
      topFront: f.up(128),
      downFront: f.up(36),
      crown: f.crown,
      headLow: f.headLow,
      headTop: f.headTop,
      saddle,
      deckRear: { x: -330, y: deck },
      deckFront: { x: bracket.x - 165, y: deck },
      rider: riderOver(saddle),
      load: { x: 50, y: deck + 160 },
      bare: { x: bracket.x * 0.78, y: 470 },
    };
  },
  tubes: [
    { name: 'deck strut', ends: ['rear', { from: 'deckRear', to: 'deckFront', share: 0.33 }], diameter: 22 },
    { name: 'deck strut', ends: ['rear', { from: 'deckRear', to: 'deckFront', share: 0.67 }], diameter: 22 },
    { name: 'chainstay', ends: ['rear', 'bracket'], diameter: 26 },
    { name: 'deck', ends: ['deckRear', 'deckFront'], diameter: 26 },
    { name: 'deck strut', ends: ['topRear', 'deckFront'], diameter: 24 },
    {
      name: 'deck strut',
      ends: [{ from: 'deckRear', to: 'deckFront', share: 0.67 }, 'bracket'],
      diameter: 24,
    },
    { name: 'seat tube', ends: ['bracket', 'seatTop'], diameter: 32 },
    { name: 'top tube', ends: ['topRear', 'topFront'], diameter: 32 },
    { name: 'down tube', ends: ['bracket', 'downFront'], diameter: 40 },
    { name: 'fork', ends: ['crown', 'front'], diameter: 27 },
    { name: 'head tube', ends: ['headLow', 'headTop'], diameter: 42 },
    { name: 'seat post', ends: ['seatTop', 'saddle'], diameter: 27 },
  ],
  places: [
    {
      place: 'down-tube',
      line: ['bracket', 'downFront'],
      bears: 'down tube',
      side: 1,
      startMm: 370,
      standoffMm: 26,
    },
    {
      place: 'deck',
      line: ['deckRear', 'deckFront'],
      bears: 'deck',
      side: 1,
      startMm: 740,
      standoffMm: 17,
      widthMm: 220,
    },
    {
      place: 'seat-tube',
      line: ['bracket', 'seatTop'],
      bears: 'seat tube',
      side: -1,
      startMm: 220,
      standoffMm: 22,
    },
  ],
};

/** A box between two front wheels, steered as one. */
export const trike: Preset = {
  points: ({ wheelbase, rearRadius }, { bracket }) => {
    const up = (mm: number): Point => toward(bracket, 109, mm);
    const saddle = up(690);
    return {
      seatTop: up(520),
      topRear: up(330),
      topFront: { x: wheelbase - 340, y: 372 },
      downFront: { x: wheelbase - 340, y: 340 },
      headLow: { x: wheelbase - 348, y: 430 },
      headTop: { x: wheelbase - 495, y: 1030 },
      boxRear: { x: wheelbase - 370, y: 392 },
      boxFront: { x: wheelbase + 300, y: 392 },
      saddle,
      railRear: { x: -210, y: 2 * rearRadius + 60 },
      railFront: { x: 250, y: 2 * rearRadius + 60 },
      rider: riderOver(saddle),
      load: { x: wheelbase - 40, y: 560 },
      bare: { x: wheelbase * 0.6, y: 440 },
    };
  },
  tubes: [
    { name: 'seatstay', ends: ['rear', { from: 'bracket', to: 'seatTop', share: 0.83 }], diameter: 22 },
    { name: 'chainstay', ends: ['rear', 'bracket'], diameter: 26 },
    { name: 'rail', ends: ['railRear', 'railFront'], diameter: 22 },
    { name: 'deck strut', ends: ['rear', { from: 'railRear', to: 'railFront', share: 0.3 }], diameter: 18 },
    { name: 'seat tube', ends: ['bracket', 'seatTop'], diameter: 34 },
    { name: 'main tube', ends: ['topRear', 'topFront'], diameter: 44 },
    { name: 'down tube', ends: ['bracket', 'downFront'], diameter: 36 },
    { name: 'steering column', ends: ['headLow', 'headTop'], diameter: 26 },
    { name: 'deck', ends: ['boxRear', 'boxFront'], diameter: 14 },
    { name: 'seat post', ends: ['seatTop', 'saddle'], diameter: 27 },
  ],
  places: [
    {
      place: 'cargo-box',
      line: ['boxRear', 'boxFront'],
      bears: 'deck',
      side: 1,
      startMm: 110,
      standoffMm: 9,
      widthMm: 560,
    },
    {
      place: 'rear-rack',
      line: ['railRear', 'railFront'],
      bears: 'rail',
      side: 1,
      startMm: 200,
      standoffMm: 14,
      widthMm: 300,
    },
    {
      place: 'behind-seat-tube',
      line: ['bracket', 'seatTop'],
      bears: 'seat tube',
      side: 1,
      startMm: 330,
      standoffMm: 24,
    },
  ],
};

/** Four wheels, a bench and a canopy. */
export const carriage: Preset = {
  points: ({ wheelbase }) => {
    const saddle: Point = { x: 400, y: 660 };
    return {
      deckRear: { x: -200, y: 300 },
      deckFront: { x: wheelbase + 200, y: 300 },
      railRear: { x: -190, y: 1560 },
      railFront: { x: wheelbase + 40, y: 1560 },
      headLow: { x: wheelbase - 60, y: 330 },
      headTop: { x: wheelbase - 330, y: 880 },
      seatTop: { x: 400, y: 600 },
      saddle,
      rider: shifted(saddle, 60, 250),
      load: { x: 40, y: 520 },
      bare: { x: wheelbase * 0.5, y: 520 },
    };
  },
  tubes: [
    { name: 'deck', ends: ['deckRear', 'deckFront'], diameter: 44 },
    {
      name: 'deck strut',
      ends: [{ from: 'deckRear', to: 'deckFront', share: 0.02 }, 'railRear'],
      diameter: 26,
    },
    {
      name: 'deck strut',
      ends: [{ from: 'deckRear', to: 'deckFront', share: 0.96 }, 'railFront'],
      diameter: 26,
    },
    { name: 'rail', ends: ['railRear', 'railFront'], diameter: 22 },
    {
      name: 'seat post',
      ends: [{ from: 'deckRear', to: 'deckFront', share: 0.29 }, 'seatTop'],
      diameter: 40,
    },
    { name: 'steering column', ends: ['headLow', 'headTop'], diameter: 24 },
  ],
  places: [
    {
      place: 'deck',
      line: ['deckRear', 'deckFront'],
      bears: 'deck',
      side: 1,
      startMm: 360,
      standoffMm: 26,
      widthMm: 700,
    },
  ],
};
