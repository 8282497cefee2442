import type { Frame } from '@apple-cart/core';
import { straight, type Point, type Sketch } from './sketch.tsx';

/** Crates of fruit on a longtail's deck. */
function crates(s: Sketch, [x0, y0]: Point): void {
  for (const x of [x0, x0 + 380]) {
    for (let i = 0; i < 6; i += 1) {
      s.circle([x + 36 + i * 58, y0 + 254 + (i % 2 === 1 ? 10 : 0)], 34, {
        fill: 'paper',
        stroke: 'ink',
        width: 0.9,
      });
    }
    for (let j = 0; j < 3; j += 1) {
      const y = y0 + j * 84;
      s.shape(['M', [x, y], 'L', [x + 362, y], 'L', [x + 362, y + 70], 'L', [x, y + 70], 'Z'], {
        fill: 'paper',
        stroke: 'ink',
        width: 0.9,
      });
    }
    for (const u of [16, 346]) s.stroke([x + u, y0 - 6], [x + u, y0 + 244], 2.2);
  }
}

/** The box of a load trike on its floor, with the bar that steers it. */
function loadBox(s: Sketch, frame: Frame): void {
  const { boxRear, boxFront, headTop } = frame.points;
  if (boxRear === undefined || boxFront === undefined) return;
  const [x0, x1, y0] = [boxRear.x, boxFront.x, boxRear.y];
  const high = 408;
  s.shape(['M', [x0, y0], 'L', [x1, y0], 'L', [x1 + 180, y0 + high], 'L', [x0 - 70, y0 + high], 'Z'], {
    fill: 'paper',
    stroke: 'ink',
    width: 1.2,
  });
  s.stroke([x0 - 88, y0 + high + 6], [x1 + 198, y0 + high + 6], 2.6);
  for (const y of [300, 350]) {
    const t = y / high;
    s.stroke([x0 - 70 * t, y0 + y], [x1 + 180 * t, y0 + y], 0.6, 'soft');
  }
  if (headTop === undefined) return;
  const [x, y] = [headTop.x, headTop.y];
  s.solid(['M', [x, y], 'C', [x - 9, y + 34], [x - 25, y + 44], [x - 55, y + 40]], 16);
  s.solid(straight([x - 47, y + 42], [x - 137, y + 20]), 30);
}

/** Bench, canopy and steering wheel of a carriage. */
function coach(s: Sketch, frame: Frame): void {
  const { railRear, railFront, saddle, headTop } = frame.points;
  if (railRear !== undefined && railFront !== undefined) {
    const [a, b] = [railRear, railFront];
    s.shape(
      [
        'M',
        [a.x - 130, a.y + 20],
        'C',
        [a.x + 390, a.y + 140],
        [b.x - 340, b.y + 140],
        [b.x + 160, b.y + 20],
        'L',
        [b.x + 140, b.y - 30],
        'L',
        [a.x - 110, a.y - 30],
        'Z',
      ],
      { fill: 'paper', stroke: 'ink', width: 1.2 },
    );
  }
  if (saddle !== undefined) {
    s.solid(straight([saddle.x - 210, saddle.y], [saddle.x + 210, saddle.y]), 56);
    s.solid(straight([saddle.x - 210, saddle.y], [saddle.x - 280, saddle.y + 350]), 42);
  }
  if (headTop !== undefined)
    s.solid(straight([headTop.x - 90, headTop.y - 60], [headTop.x + 60, headTop.y + 70]), 26);
}

/** Mesh seat and the bar of a recumbent. */
function lounger(s: Sketch, frame: Frame): void {
  const { seatBack, seatFoot, headTop } = frame.points;
  if (seatBack !== undefined && seatFoot !== undefined) {
    s.solid(
      [
        'M',
        [seatBack.x, seatBack.y],
        'C',
        [seatBack.x + 60, seatBack.y - 260],
        [seatFoot.x - 350, seatFoot.y + 100],
        [seatFoot.x - 220, seatFoot.y + 62],
        'C',
        [seatFoot.x - 110, seatFoot.y + 40],
        [seatFoot.x - 20, seatFoot.y + 70],
        [seatFoot.x + 50, seatFoot.y + 112],
      ],
      32,
    );
  }
  if (headTop === undefined) return;
  const [x, y] = [headTop.x, headTop.y];
  s.tubes([
    { along: ['M', [x, y], 'C', [x - 110, y + 90], [x - 250, y + 190], [x - 255, y + 300]], width: 22 },
  ]);
  s.solid(straight([x - 255, y + 300], [x - 330, y + 318]), 28);
}

/** The stoker's bar, on a stem from the captain's seat post. */
function stokerBar(s: Sketch, frame: Frame): void {
  const post = frame.points.captainSaddle;
  if (post === undefined) return;
  const from: Point = [post.x + 18, post.y - 62];
  const to: Point = [from[0] - 195, from[1] + 62];
  s.tubes([{ along: straight(from, to), width: 24 }]);
  s.solid(['M', to, 'C', [to[0] + 30, to[1] + 26], [to[0] + 12, to[1] + 56], [to[0] - 40, to[1] + 52]], 15);
  s.solid(straight([to[0] - 44, to[1] + 52], [to[0] - 122, to[1] + 34]), 30);
}

/** What a style carries besides its frame. */
export function furniture(s: Sketch, frame: Frame): void {
  const { deckRear } = frame.points;
  if (frame.style === 'longtail' && deckRear !== undefined) crates(s, [deckRear.x - 16, deckRear.y + 22]);
  if (frame.style === 'trike') loadBox(s, frame);
  if (frame.style === 'carriage') coach(s, frame);
  if (frame.style === 'recumbent') lounger(s, frame);
  if (frame.style === 'tandem') stokerBar(s, frame);
}
