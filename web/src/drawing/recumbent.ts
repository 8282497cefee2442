import { chain, crank, hub, motor, pack, sprocketRadius, wheel } from './bicycle-parts.ts';
import { INK, straight, type Point } from './sketch.tsx';
import type { DrawStyle } from './drawn.ts';
import { COG, hubRadius } from './drawn.ts';

export const recumbent: DrawStyle = (s, b) => {
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
