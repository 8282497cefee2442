import { chain, hub, motor, pack, wheel } from './bicycle-parts.ts';
import { INK, straight, type Point } from './sketch.tsx';
import type { DrawStyle } from './drawn.ts';
import { COG, hubRadius, cranks } from './drawn.ts';

export const carriage: DrawStyle = (s, b) => {
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
