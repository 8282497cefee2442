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
import type { DrawStyle } from './drawn.ts';
import { hubRadius, wheels, cranks } from './drawn.ts';

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

export const longtail: DrawStyle = (s, b) => {
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

export const trike: DrawStyle = (s, b) => {
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
