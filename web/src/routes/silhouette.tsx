const [WIDTH, HEIGHT] = [240, 46];

/** A profile as a small filled outline: heights at even distances. */
export function RouteSilhouette({ outline }: { outline: readonly number[] }) {
  const [low, high] = [Math.min(...outline), Math.max(...outline)];
  // A flat road stays flat: less than 20 m are not blown up to the whole height.
  const span = Math.max(20, high - low);
  const points = outline.map((e, i) => {
    const x = (WIDTH * i) / Math.max(1, outline.length - 1);
    return `${x.toFixed(1)},${(HEIGHT - 4 - ((e - low) / span) * (HEIGHT - 10)).toFixed(1)}`;
  });
  return (
    <svg
      viewBox={`0 0 ${String(WIDTH)} ${String(HEIGHT)}`}
      className="h-full w-full"
      preserveAspectRatio="none"
      aria-hidden
    >
      <polygon
        points={`0,${String(HEIGHT)} ${points.join(' ')} ${String(WIDTH)},${String(HEIGHT)}`}
        fill="var(--q-elev)"
        opacity="0.28"
      />
      <polyline
        points={points.join(' ')}
        fill="none"
        stroke="var(--q-elev)"
        strokeWidth="1.8"
        vectorEffect="non-scaling-stroke"
      />
    </svg>
  );
}
