import type { ElkNode } from 'elkjs/lib/elk-api.js';

/** A stretch of a drawing that goes on one sheet. */
export interface SheetPart {
  readonly name: string;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/**
 * What fits on a sheet across, A4 or Letter with margins of 10 mm, so that letters of 11 px are 7 points: 250 mm by 185 mm at
 * 0.2245 mm a px, px.
 */
const SHEET = { width: 1110, height: 820 } as const;
/** Both sheets show this much of each other, px. */
const OVERLAP = 40;

const cuts = (size: number, room: number): readonly { readonly from: number; readonly size: number }[] => {
  const count = Math.max(1, Math.ceil((size - OVERLAP) / (room - OVERLAP)));
  const step = (size - OVERLAP) / count;
  return Array.from({ length: count }, (_, i) => ({ from: i * step, size: step + OVERLAP }));
};

/** A drawing on as many sheets as keep its letters readable, left to right and top to bottom. */
export function sheetsOf({ width = 0, height = 0 }: Pick<ElkNode, 'width' | 'height'>): readonly SheetPart[] {
  const parts = cuts(height, SHEET.height).flatMap((down) =>
    cuts(width, SHEET.width).map((across) => ({
      x: across.from,
      y: down.from,
      width: across.size,
      height: down.size,
    })),
  );
  return parts.map((part, i) => ({
    ...part,
    name:
      parts.length === 1
        ? 'Wiring diagram'
        : `Wiring diagram, sheet ${String(i + 1)} of ${String(parts.length)}`,
  }));
}
