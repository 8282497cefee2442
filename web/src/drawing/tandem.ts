import { bars, chain, crank, frontEnd, packOnTube, saddle } from './bicycle-parts.ts';
import { rad, straight, toward, type Point } from './sketch.tsx';
import type { DrawStyle } from './drawn.ts';
import { COG, wheels, cranks } from './drawn.ts';

export const tandem: DrawStyle = (s, b) => {
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
