import { bars, chain, frontEnd, pack, packOnTube, saddle } from './bicycle-parts.ts';
import { rad, straight, toward, type Point } from './sketch.tsx';
import type { DrawStyle } from './drawn.ts';
import { COG, wheels, cranks } from './drawn.ts';

interface DiamondInput {
  readonly headTube: number;
  readonly stays: number;
  readonly seat: number;
  readonly topTube: boolean;
}

/** A two-wheeled frame with triangle; without a top tube it is a step-through. */
export function diamondWith({ headTube, stays, seat, topTube }: DiamondInput): DrawStyle {
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
