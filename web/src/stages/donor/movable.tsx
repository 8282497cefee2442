import { useDrag } from '@use-gesture/react';
import { useRef } from 'react';
import type { Point } from '@apple-cart/core';
import { WIDTH, type Page } from './page-scale.ts';

interface Moved {
  readonly page: Page;
  readonly label: string;
  /** Where it is now, mm. */
  readonly at: Point;
  readonly onTo: (to: Point, by: 'hand' | 'keys') => void;
  readonly children: React.ReactNode;
}

const KEYS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};
const STEP_MM = 5;
const STRIDE_MM = 50;

/** Something of the drawing that is moved with pointer or arrow keys. */
export function Movable({ page, label, at, onTo, children }: Moved) {
  const target = useRef<SVGGElement>(null);
  const bind = useDrag<PointerEvent>(
    ({ movement: [x, y], memo }) => {
      // What was taken hold of follows the hand from where it began, wherever it has come to lie meanwhile.
      const from = (memo as Point | undefined) ?? at;
      const box = target.current?.ownerSVGElement?.getBoundingClientRect();
      // The picture is scaled to its column: a pixel of the screen is more than one of the drawing.
      const mm = (box === undefined ? 1 : WIDTH / box.width) / page.scale;
      onTo({ x: from.x + x * mm, y: from.y - y * mm }, 'hand');
      return from;
    },
    { pointer: { keys: false }, filterTaps: true },
  );
  return (
    <g
      {...bind()}
      ref={target}
      role="button"
      tabIndex={0}
      aria-label={label}
      className="cursor-grab touch-none active:cursor-grabbing"
      onKeyDown={(event) => {
        const step = KEYS[event.key];
        if (step === undefined) return;
        event.preventDefault();
        const mm = event.shiftKey ? STRIDE_MM : STEP_MM;
        onTo({ x: at.x + step[0] * mm, y: at.y + step[1] * mm }, 'keys');
      }}
    >
      <g aria-hidden>{children}</g>
    </g>
  );
}
