import {
  bars,
  chain,
  crank,
  frontEnd,
  hub,
  motor,
  pack,
  packOnTube,
  saddle,
  sprocketRadius,
  wheel,
} from './bicycle-parts.ts';
import { INK, rad, straight, toward, type Point, type Sketch } from './sketch.tsx';

/** What a drawing needs of a build, mm. */
export interface Drawn {
  readonly wheelbase: number;
  /** Radius of the driven wheel with its tyre. */
  readonly radius: number;
  readonly tyre: number;
  readonly ringTeeth: number;
  readonly motorAt: 'front' | 'rear' | 'middle';
  readonly directDrive: boolean;
  readonly lead: boolean;
}

export type DrawStyle = (s: Sketch, b: Drawn) => void;

const COG = 20;

const hubRadius = (b: Drawn): number => (b.directDrive ? 112 : 78);

/** Wheels, hubs and, for a hub motor, the motor; the motor's flange carries the spokes. */
function wheels(s: Sketch, b: Drawn, rear: Point, front: Point): void {
  const flange = (place: Drawn['motorAt']): number => (b.motorAt === place ? hubRadius(b) : 26);
  const lacing = (place: Drawn['motorAt']): number => (b.motorAt === place ? 1 : 3);
  wheel(s, rear, { radius: b.radius, tyre: b.tyre, flange: flange('rear'), crosses: lacing('rear') });
  wheel(s, front, { radius: b.radius, tyre: b.tyre, flange: flange('front'), crosses: lacing('front') });
  for (const [place, axle] of [
    ['rear', rear],
    ['front', front],
  ] as const) {
    if (b.motorAt === place) motor(s, axle, hubRadius(b));
    else hub(s, axle);
  }
}

/** Ring, crank and, for a mid-drive, the motor ahead of the bottom bracket. */
function cranks(s: Sketch, b: Drawn, bracket: Point, degrees = 20): void {
  if (b.motorAt === 'middle') motor(s, [bracket[0] + 38, bracket[1] + 6], 98);
  s.circle(bracket, sprocketRadius(b.ringTeeth), { fill: 'none', stroke: INK, strokeWidth: s.line * 1.1 });
  crank(s, bracket, degrees);
}

interface DiamondInput {
  readonly headTube: number;
  readonly stays: number;
  readonly seat: number;
  readonly topTube: boolean;
}

/** A two-wheeled frame with triangle; without a top tube it is a step-through. */
function diamondWith({ headTube, stays, seat, topTube }: DiamondInput): DrawStyle {
  return (s, b) => {
    const rear: Point = [0, b.radius];
    const front: Point = [b.wheelbase, b.radius];
    const bracket: Point = [stays, Math.max(265, b.radius - 70)];
    const small = b.radius < 290;
    const f = frontEnd(front, {
      headDegrees: 71,
      rake: 48,
      axleToCrown: b.radius + (small ? 75 : 55),
      headTube: small ? headTube + 110 : headTube,
    });
    const up = (mm: number): Point => toward(bracket, rad(180 - 72), mm);
    wheels(s, b, rear, front);
    chain(s, rear, COG, bracket, b.ringTeeth);
    s.tubes([
      { along: straight(rear, up(topTube ? seat - 20 : seat - 160)), width: 18 },
      { along: straight(rear, bracket), width: 22 },
    ]);
    const low = f.low(34);
    s.tubes([
      { along: straight(up(seat), bracket), width: 30 },
      {
        along: topTube
          ? straight(f.low(headTube - 30), up(seat - 35))
          : [
              'M',
              f.low(headTube - 20),
              'C',
              [bracket[0] + 300, bracket[1] + 330],
              [bracket[0] + 160, bracket[1] + 230],
              up(seat - 300),
            ],
        width: 29,
      },
      {
        along: topTube
          ? straight(low, bracket)
          : [
              'M',
              low,
              'C',
              [bracket[0] + 380, bracket[1] + 190],
              [bracket[0] + 200, bracket[1] + 40],
              bracket,
            ],
        width: 36,
      },
    ]);
    s.tubes([f.fork]);
    s.tubes([f.headTube]);
    s.tubes([{ along: straight(f.high(0), f.high(70)), width: 28 }]);
    bars(s, f.high(64));
    const post = up(Math.max(700, seat + 150));
    s.tubes([{ along: straight(up(seat), post), width: 26 }]);
    saddle(s, post);
    if (small || !topTube) {
      const p = up(seat - 150);
      pack(s, [p[0] - 80, p[1] + 10], 340, 88, 108);
    } else {
      packOnTube(s, bracket, low, 340, 66, 340, 86);
    }
    cranks(s, b, bracket);
  };
}

function crates(s: Sketch, at: Point): void {
  const [x0, y0] = at;
  for (const x of [x0, x0 + 380]) {
    for (let i = 0; i < 6; i += 1) {
      s.circle([x + 36 + i * 58, y0 + 254 + (i % 2 === 1 ? 10 : 0)], 34, {
        fill: s.paper,
        stroke: INK,
        strokeWidth: 0.9,
      });
    }
    for (let j = 0; j < 3; j += 1) {
      const y = y0 + j * 84;
      s.shape(['M', [x, y], 'L', [x + 362, y], 'L', [x + 362, y + 70], 'L', [x, y + 70], 'Z'], {
        fill: s.paper,
        stroke: INK,
        strokeWidth: 0.9,
      });
    }
    for (const u of [16, 346]) s.stroke([x + u, y0 - 6], [x + u, y0 + 244], 2.2);
  }
}

const longtail: DrawStyle = (s, b) => {
  const rear: Point = [0, b.radius];
  const front: Point = [b.wheelbase, b.radius];
  const bracket: Point = [b.wheelbase * 0.555, 300];
  const f = frontEnd(front, { headDegrees: 70, rake: 46, axleToCrown: b.radius + 73, headTube: 160 });
  const up = (mm: number): Point => toward(bracket, rad(108), mm);
  wheels(s, b, rear, front);
  chain(s, rear, 23, bracket, b.ringTeeth);
  s.circle(rear, sprocketRadius(23), { fill: 'none', stroke: INK, strokeWidth: 1 });
  const deck = 760;
  const low = f.low(36);
  s.tubes([
    { along: straight(rear, [-20, deck]), width: 22 },
    { along: straight(rear, [300, deck]), width: 22 },
    { along: straight(rear, bracket), width: 26 },
    { along: straight([-330, deck], [612, deck]), width: 26 },
    { along: straight(up(480), [560, deck]), width: 24 },
    { along: straight([300, deck], bracket), width: 24 },
  ]);
  s.tubes([
    { along: straight(up(500), bracket), width: 32 },
    { along: straight(f.low(128), up(430)), width: 32 },
    { along: straight(low, bracket), width: 40 },
  ]);
  s.tubes([f.fork]);
  s.tubes([f.headTube]);
  s.tubes([{ along: straight(f.high(0), f.high(86)), width: 28 }]);
  bars(s, f.high(80));
  const post = up(700);
  s.tubes([{ along: straight(up(500), post), width: 26 }]);
  saddle(s, post);
  packOnTube(s, bracket, low, 370, 72, 370, 96);
  cranks(s, b, bracket);
  crates(s, [-346, deck + 22]);
};

const tandem: DrawStyle = (s, b) => {
  const rear: Point = [0, b.radius];
  const front: Point = [b.wheelbase, b.radius];
  const stoker: Point = [435, 280];
  const captain: Point = [b.wheelbase * 0.634, 280];
  const f = frontEnd(front, { headDegrees: 73, rake: 50, axleToCrown: b.radius + 46, headTube: 150 });
  const up1 = (mm: number): Point => toward(captain, rad(107), mm);
  const up2 = (mm: number): Point => toward(stoker, rad(107), mm);
  wheels(s, b, rear, front);
  chain(s, stoker, 34, captain, 34, 'var(--ink3)');
  chain(s, rear, COG, stoker, b.ringTeeth);
  const low = f.low(34);
  s.tubes([
    { along: straight(rear, up2(425)), width: 17 },
    { along: straight(rear, stoker), width: 22 },
  ]);
  s.tubes([
    { along: straight(stoker, up2(462)), width: 32 },
    { along: straight(captain, up1(552)), width: 32 },
    { along: straight(f.low(122), up1(500)), width: 32 },
    { along: straight(up1(500), up2(420)), width: 30 },
    { along: straight(low, captain), width: 38 },
    { along: straight(captain, stoker), width: 38 },
    { along: straight(low, stoker), width: 28 },
  ]);
  s.tubes([f.fork]);
  s.tubes([f.headTube]);
  s.tubes([{ along: straight(f.high(4), f.high(66)), width: 28 }]);
  bars(s, f.high(60));
  const [p1, p2] = [up1(720), up2(650)];
  s.tubes([
    { along: straight(up1(545), p1), width: 26 },
    { along: straight(up2(455), p2), width: 26 },
  ]);
  saddle(s, p1);
  saddle(s, p2);
  const q = up1(650);
  const stem: Point = [q[0] - 205, q[1] + 62];
  s.tubes([{ along: straight(q, stem), width: 24 }]);
  s.solid(
    [
      'M',
      stem,
      'C',
      [stem[0] + 30, stem[1] + 26],
      [stem[0] + 12, stem[1] + 56],
      [stem[0] - 40, stem[1] + 52],
    ],
    15,
  );
  s.solid(straight([stem[0] - 44, stem[1] + 52], [stem[0] - 122, stem[1] + 34]), 30);
  packOnTube(s, stoker, low, 405, 80, 420, 108);
  crank(s, captain, 25);
  cranks(s, b, stoker, 25);
};

const trike: DrawStyle = (s, b) => {
  const rear: Point = [0, b.radius];
  const small = Math.min(254, b.radius);
  const front: Point = [b.wheelbase, small];
  const bracket: Point = [500, 285];
  const up = (mm: number): Point => toward(bracket, rad(109), mm);
  wheel(s, rear, {
    radius: b.radius,
    tyre: b.tyre,
    flange: b.motorAt === 'rear' ? hubRadius(b) : 30,
    crosses: 1,
  });
  chain(s, rear, 18, bracket, b.ringTeeth);
  s.tubes([
    { along: straight(rear, up(430)), width: 22 },
    { along: straight(rear, bracket), width: 26 },
    { along: straight([-210, 745], [250, 745]), width: 22 },
    { along: straight(rear, [-70, 745]), width: 18 },
  ]);
  s.tubes([
    { along: straight(up(520), bracket), width: 34 },
    { along: ['M', up(330), 'C', [640, 500], [760, 360], [1060, 372]], width: 44 },
    { along: ['M', bracket, 'C', [640, 270], [820, 300], [1060, 352]], width: 36 },
  ]);
  if (b.motorAt === 'rear') motor(s, rear, hubRadius(b));
  else hub(s, rear);
  s.tubes([{ along: straight([1052, 430], [905, 1030]), width: 26 }]);
  s.solid(['M', [905, 1030], 'C', [896, 1064], [880, 1074], [850, 1070]], 16);
  s.solid(straight([858, 1072], [768, 1050]), 30);
  const box: readonly Point[] = [
    [1030, 392],
    [1700, 392],
    [1880, 800],
    [960, 800],
  ];
  s.shape(['M', ...box.flatMap((p): (Point | 'L')[] => [p, 'L']), box[0] ?? [0, 0], 'Z'], {
    fill: s.paper,
    stroke: INK,
    strokeWidth: 1.2,
  });
  s.stroke([942, 806], [1898, 806], 2.6);
  for (const y of [500, 600, 700]) {
    const t = (y - 392) / 408;
    s.stroke([1030 - 70 * t, y], [1700 + 180 * t, y], 0.6, 'var(--ink3)');
  }
  s.stroke([1560, 806], [1600, 980], 1.5);
  s.stroke([1660, 806], [1604, 980], 1.5);
  s.box([1640, 1006], 210, 46, 8, { fill: INK });
  s.box([1748, 1021], 54, 62, 8, { fill: INK });
  for (let i = 0; i < (b.lead ? 4 : 2); i += 1) pack(s, [1140 + i * 118, 452], 100, 104, 0);
  wheel(s, front, { radius: small, tyre: 48, spokes: 20 });
  if (b.motorAt === 'front') motor(s, front, hubRadius(b));
  else hub(s, front);
  const post = up(690);
  s.tubes([{ along: straight(up(515), post), width: 26 }]);
  saddle(s, post);
  if (b.motorAt === 'middle') motor(s, [bracket[0] + 38, bracket[1] + 6], 96);
  s.circle(bracket, sprocketRadius(b.ringTeeth), { fill: s.paper, stroke: INK, strokeWidth: 1.1 });
  crank(s, bracket, 25);
};

const recumbent: DrawStyle = (s, b) => {
  const rear: Point = [0, b.radius];
  const small = Math.min(254, b.radius);
  const front: Point = [b.wheelbase, small];
  const boom: Point = [b.wheelbase + 330, 560];
  wheel(s, rear, {
    radius: b.radius,
    tyre: b.tyre,
    flange: b.motorAt === 'rear' ? hubRadius(b) : 26,
    crosses: b.motorAt === 'rear' ? 1 : 3,
  });
  wheel(s, front, {
    radius: small,
    tyre: b.tyre,
    spokes: 20,
    flange: b.motorAt === 'front' ? hubRadius(b) : 24,
    crosses: 1,
  });
  chain(s, rear, COG, boom, b.ringTeeth);
  const seatFoot: Point = [b.wheelbase * 0.52, 430];
  s.tubes([
    { along: ['M', rear, 'C', [220, 420], [380, 400], seatFoot], width: 34 },
    { along: ['M', seatFoot, 'C', [b.wheelbase * 0.75, 440], [b.wheelbase, 500], boom], width: 46 },
    { along: straight([b.wheelbase - 40, 490], front), width: 28 },
  ]);
  s.solid(
    ['M', [190, 960], 'C', [250, 700], [330, 520], [450, 490], 'C', [560, 470], [650, 500], [720, 540]],
    34,
  );
  s.tubes([
    {
      along: [
        'M',
        [b.wheelbase - 60, 540],
        'C',
        [b.wheelbase - 190, 640],
        [b.wheelbase - 330, 760],
        [b.wheelbase - 330, 860],
      ],
      width: 22,
    },
  ]);
  if (b.motorAt === 'rear') motor(s, rear, hubRadius(b));
  else hub(s, rear);
  if (b.motorAt === 'front') motor(s, front, hubRadius(b) * 0.9);
  else hub(s, front);
  pack(s, [70, 800], 300, 90, 112);
  if (b.motorAt === 'middle') motor(s, [boom[0] - 30, boom[1] - 30], 92);
  s.circle(boom, sprocketRadius(b.ringTeeth), { fill: 'none', stroke: INK, strokeWidth: 1.1 });
  crank(s, boom, 200);
};

const carriage: DrawStyle = (s, b) => {
  const r = Math.min(b.radius, 254);
  const rear: Point = [0, r];
  const front: Point = [b.wheelbase, r];
  const bracket: Point = [b.wheelbase - 480, 300];
  for (const [place, axle] of [
    ['rear', rear],
    ['front', front],
  ] as const) {
    wheel(s, axle, {
      radius: r,
      tyre: b.tyre,
      spokes: 20,
      flange: b.motorAt === place ? hubRadius(b) : 26,
      crosses: 1,
    });
  }
  chain(s, rear, COG, bracket, b.ringTeeth);
  s.tubes([
    { along: ['M', [-200, 300], 'L', [b.wheelbase + 200, 300]], width: 44 },
    { along: straight([-150, 300], [-190, 1560]), width: 26 },
    { along: straight([b.wheelbase + 120, 300], [b.wheelbase + 40, 1560]), width: 26 },
  ]);
  s.shape(
    [
      'M',
      [-320, 1580],
      'C',
      [200, 1700],
      [b.wheelbase - 300, 1700],
      [b.wheelbase + 200, 1580],
      'L',
      [b.wheelbase + 180, 1530],
      'L',
      [-300, 1530],
      'Z',
    ],
    { fill: s.paper, stroke: INK, strokeWidth: 1.2 },
  );
  s.solid(['M', [180, 640], 'L', [620, 640]], 60);
  s.solid(['M', [190, 640], 'L', [120, 1000]], 44);
  s.tubes([{ along: straight([400, 610], [400, 320]), width: 40 }]);
  s.tubes([{ along: straight([b.wheelbase - 60, 320], [b.wheelbase - 330, 880]), width: 24 }]);
  if (b.motorAt === 'rear') motor(s, rear, hubRadius(b));
  else hub(s, rear);
  if (b.motorAt === 'front') motor(s, front, hubRadius(b));
  else hub(s, front);
  pack(s, [250, 420], 380, 130, 0);
  cranks(s, b, bracket, 30);
};

const diamond = diamondWith({ headTube: 150, stays: 440, seat: 545, topTube: true });
const stepThrough = diamondWith({ headTube: 190, stays: 450, seat: 500, topTube: false });

export const STYLES = {
  diamond,
  'step-through': stepThrough,
  'small-wheel': diamondWith({ headTube: 150, stays: 430, seat: 430, topTube: true }),
  fat: diamondWith({ headTube: 130, stays: 455, seat: 480, topTube: true }),
  recumbent,
  tandem,
  longtail,
  trike,
  carriage,
} as const satisfies Record<string, DrawStyle>;
