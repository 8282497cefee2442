import type { BuildDocument, KnownBuild } from '@apple-cart/core';
import { Sketch } from './sketch.tsx';
import type { Drawn } from './drawn.ts';
import { STYLES } from './styles.ts';

/** What the drawing takes from a build, in mm. */
export function drawnFrom(build: BuildDocument, known: KnownBuild): Drawn {
  return {
    wheelbase: known.donor.wheelbaseMm.value,
    radius: known.donor.rolloutMm.value / (2 * Math.PI),
    tyre: known.donor.tyreMm.value,
    ringTeeth: known.gearing.ringTeeth.value,
    motorAt: build.drive.kind === 'mid-drive' ? 'middle' : build.drive.wheel,
    directDrive: build.drive.kind === 'direct-drive-hub',
    lead: build.pack.chemistry === 'lead-acid',
  };
}

interface Props {
  readonly build: BuildDocument;
  readonly known: KnownBuild;
  /** Width and height of the picture in px, and px per mm. */
  readonly width: number;
  readonly height: number;
  readonly scale: number;
  readonly className?: string;
}

/** The bicycle in ink with what the conversion adds in slate blue, standing on the ground, to scale. */
export function Silhouette({ build, known, width, height, scale, className = '' }: Props) {
  const drawn = drawnFrom(build, known);
  const ground = height - 4;
  const left = (width - drawn.wheelbase * scale) / 2 - (build.donor.style === 'trike' ? 90 * scale : 0);
  const sketch = new Sketch(scale, [left, ground], 'var(--sheet)', scale > 0.2 ? 1.15 : 0.95);
  STYLES[build.donor.style](sketch, drawn);
  return (
    <svg
      viewBox={`0 0 ${String(width)} ${String(height)}`}
      className={`block w-full ${className}`}
      role="img"
      aria-label={`Side view, ${build.donor.style}`}
    >
      {sketch.nodes}
      <path d={`M0 ${String(ground)}H${String(width)}`} stroke="var(--ink)" strokeWidth="1.5" />
    </svg>
  );
}
