/** Pens of the small drawings, 200 by 96: the thing in ink, what the word measures in blue. */
export const INK = { fill: 'none', stroke: 'var(--ink)', strokeWidth: 1.6 } as const;
export const THIN = { fill: 'none', stroke: 'var(--ink3)', strokeWidth: 1 } as const;
export const BLUE = { fill: 'none', stroke: 'var(--slate)', strokeWidth: 1.8 } as const;

/** A dimension between two points on a level, with its ticks. */
export const Span = ({ x0, x1, y }: { x0: number; x1: number; y: number }) => (
  <path
    d={`M${String(x0)} ${String(y - 4)}v8M${String(x1)} ${String(y - 4)}v8M${String(x0)} ${String(y)}H${String(x1)}`}
    {...BLUE}
  />
);
export const Rise = ({ y0, y1, x }: { y0: number; y1: number; x: number }) => (
  <path
    d={`M${String(x - 4)} ${String(y0)}h8M${String(x - 4)} ${String(y1)}h8M${String(x)} ${String(y0)}V${String(y1)}`}
    {...BLUE}
  />
);
export const Ground = ({ y }: { y: number }) => <path d={`M6 ${String(y)}H194`} {...INK} />;
export const Wheel = ({ x, y, r }: { x: number; y: number; r: number }) => (
  <>
    <circle cx={x} cy={y} r={r} {...INK} />
    <circle cx={x} cy={y} r={r - 5} {...THIN} />
    <circle cx={x} cy={y} r={3} {...INK} />
  </>
);

/** Two axes of a curve. */
export const Axes = () => <path d="M16 84H190M16 84V8" {...THIN} />;
/** A motor, seen from its axle. */
export const Motor = ({ x, y, r }: { x: number; y: number; r: number }) => (
  <>
    <circle cx={x} cy={y} r={r} {...INK} />
    <circle cx={x} cy={y} r={4} {...INK} />
  </>
);
/** A pack with its cells. */
export const Cells = ({ x, y, n }: { x: number; y: number; n: number }) => (
  <>
    {Array.from({ length: n }, (_, i) => (
      <path key={i} d={`M${String(x + i * 16)} ${String(y)}v44h12v-44zm3 -4h6v4`} {...INK} />
    ))}
  </>
);
