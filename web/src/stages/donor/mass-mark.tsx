import type { Point } from '@apple-cart/core';
import { placeLabels, type Box } from '../../drawing/place-labels.ts';
import { GROUND, HEIGHT, WIDTH, px, type Page } from './page-scale.ts';

/** A point that weighs, with its name; the whole machine's is the ringed one. */
export interface Mass {
  readonly at: Point;
  readonly label: string;
  readonly ring?: boolean;
}

/** Width of a letter and height of a line of the labels, px; words of the ringed one are bold. */
const [LETTER, BOLD, LINE] = [6.5, 7.1, 15];
/** From a label's upper edge to the line it stands on, px. */
const ASCENT = 12;

/** Where the names stand: each beside its point, the machine's at the foot of its plumb line, none over another. */
export function massLabels(page: Page, masses: readonly Mass[]): readonly Box[] {
  const boxes = masses.map(({ at, label, ring = false }): Box => {
    const p = px(page, at);
    return {
      x: p.x + 8,
      y: (ring ? GROUND - 8 : p.y + 4) - ASCENT,
      width: label.length * (ring ? BOLD : LETTER),
      height: LINE,
    };
  });
  const shifts = placeLabels(boxes, { x: 2, y: 2, width: WIDTH - 4, height: HEIGHT - 10 });
  return boxes.map((box, i) => ({
    ...box,
    x: box.x + (shifts[i]?.dx ?? 0),
    y: box.y + (shifts[i]?.dy ?? 0),
  }));
}

export function MassMarks({ page, masses }: { page: Page; masses: readonly Mass[] }) {
  const boxes = massLabels(page, masses);
  return (
    <g pointerEvents="none">
      {masses.map(({ at, label, ring = false }, i) => {
        const p = px(page, at);
        const box = boxes[i];
        return (
          <g key={label}>
            <circle
              cx={p.x}
              cy={p.y}
              r={ring ? 8 : 4}
              fill={ring ? 'var(--sheet)' : 'var(--ink3)'}
              stroke="var(--ink)"
              strokeWidth={ring ? 1.5 : 0}
            />
            {ring && (
              <path
                d={`M${String(p.x)} ${String(p.y)}v-8a8 8 0 0 1 8 8zv8a8 8 0 0 1 -8 -8z`}
                fill="var(--ink)"
              />
            )}
            {box !== undefined && (
              <text
                x={box.x}
                y={box.y + ASCENT}
                fontSize="12"
                fontWeight={ring ? 700 : 400}
                fill={ring ? 'var(--ink)' : 'var(--ink2)'}
                stroke="var(--sheet)"
                strokeWidth="4"
                paintOrder="stroke"
              >
                {label}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}
