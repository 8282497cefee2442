import type { PlugShape } from '../../document/harness.ts';
import type { Cable } from './components.ts';
import type { Port } from './ports.ts';

/** A contact in the open face, in steps from its middle: to the right and down, latch or notch up. */
interface Contact {
  /** From 1. */
  readonly pin: number;
  readonly x: number;
  readonly y: number;
}

/** The open face of a plug half, as one sees who looks into it with its latch or notch up. */
export interface PlugFace {
  readonly shape: Exclude<PlugShape, 'unknown'>;
  /** Nobody has said how the contacts lie: drawn as so many usually do. */
  readonly assumed: boolean;
  readonly contacts: readonly Contact[];
  /** Half its width and half its height, in the same steps. */
  readonly halfWide: number;
  readonly halfHigh: number;
}

/** Three contacts and fewer lie side by side, more in two rows. Common practice, no source: many are round. */
const usualShape = (count: number): PlugFace['shape'] => (count > 3 ? 'two-rows' : 'row');

/** Distance of neighbours along a ring and of the ring from the shell, in steps. */
const [RING_STEP, RING_EDGE] = [1.1, 0.75];

function placed(shape: PlugFace['shape'], count: number): readonly Contact[] {
  const all = Array.from({ length: count }, (_, i) => i);
  if (shape === 'ring') {
    const radius = Math.max(0.8, RING_STEP / (2 * Math.sin(Math.PI / Math.max(2, count))));
    return all.map((i) => {
      const turn = ((i + 0.5) / count) * 2 * Math.PI;
      return { pin: i + 1, x: radius * Math.sin(turn), y: -radius * Math.cos(turn) };
    });
  }
  const across = shape === 'row' ? count : Math.ceil(count / 2);
  const rows = Math.ceil(count / across);
  return all.map((i) => ({
    pin: i + 1,
    x: (i % across) - (across - 1) / 2,
    y: Math.floor(i / across) - (rows - 1) / 2,
  }));
}

function faceOf(half: Port, said: PlugShape, mirrored: boolean): PlugFace {
  const shape = said === 'unknown' ? usualShape(half.pins.length) : said;
  const contacts = placed(shape, half.pins.length).map((c) => (mirrored ? { ...c, x: -c.x || 0 } : c));
  const edge = shape === 'ring' ? RING_EDGE : 0.5;
  const far = shape === 'ring' ? Math.max(...contacts.map((c) => Math.hypot(c.x, c.y))) : undefined;
  return {
    shape,
    assumed: said === 'unknown',
    contacts,
    halfWide: (far ?? Math.max(...contacts.map((c) => Math.abs(c.x)))) + edge,
    halfHigh: (far ?? Math.max(...contacts.map((c) => Math.abs(c.y)))) + edge,
  };
}

/**
 * Both faces of a plug pair as they are seen: pin 1 left of the top, or first from the notch, in the half with the sockets; the
 * other half is its mirror image, so that equal numbers meet. Numbers are those of the table beside it, not of a maker.
 */
export function facesOfPair({ from, to }: Pick<Cable, 'from' | 'to'>): {
  readonly from: PlugFace;
  readonly to: PlugFace;
} {
  const said = from.said.shape === 'unknown' ? to.said.shape : from.said.shape;
  const leads = to.sex === 'sockets' && from.sex !== 'sockets' ? 'to' : 'from';
  return { from: faceOf(from, said, leads !== 'from'), to: faceOf(to, said, leads !== 'to') };
}
