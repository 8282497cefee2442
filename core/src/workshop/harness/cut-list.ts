import type { WireColour } from '../../document/harness.ts';

/** A piece of wire that is wanted. */
export interface Piece {
  readonly name: string;
  readonly mm: number;
  /** Undefined where nobody knows the conductor. */
  readonly mm2: number | undefined;
  readonly colour: WireColour;
  /** What the cable is that it lengthens. */
  readonly kind: 'power' | 'phase' | 'signal';
}

/** One stock length with the pieces that are cut from it. */
interface StockLength {
  readonly mm: number;
  readonly pieces: readonly Piece[];
  readonly left: number;
}

/** Wire of one size and colour. */
export interface CutGroup {
  readonly mm2: number | undefined;
  readonly colour: WireColour;
  readonly pieces: readonly Piece[];
  readonly stock: readonly StockLength[];
}

/** Lengths in which wire is sold, mm. Common practice, no source: by the metre. */
const STOCK_MM = [1000, 2000, 3000, 5000, 10_000] as const;

/**
 * Pieces packed into stock lengths, size by size and colour by colour: the longest first, each into the first that has room
 * (first fit decreasing, D. S. Johnson 1973, from memory). A stock length is the shortest that its first piece fits.
 */
export function cutList(pieces: readonly Piece[]): readonly CutGroup[] {
  const groups = new Map<string, Piece[]>();
  for (const piece of pieces) {
    const key = `${String(piece.mm2)} ${piece.colour}`;
    groups.set(key, [...(groups.get(key) ?? []), piece]);
  }
  return [...groups.values()].map((list) => {
    const longest = list.toSorted((a, b) => b.mm - a.mm);
    const stock: { mm: number; pieces: Piece[]; left: number }[] = [];
    for (const piece of longest) {
      const room = stock.find((s) => s.left >= piece.mm);
      if (room !== undefined) {
        room.pieces.push(piece);
        room.left -= piece.mm;
        continue;
      }
      const mm = STOCK_MM.find((s) => s >= piece.mm) ?? Math.ceil(piece.mm / 1000) * 1000;
      stock.push({ mm, pieces: [piece], left: mm - piece.mm });
    }
    const [first] = longest;
    return { mm2: first?.mm2, colour: first?.colour ?? '', pieces: longest, stock };
  });
}
