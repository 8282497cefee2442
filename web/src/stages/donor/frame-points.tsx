import type { BuildDocument, Point, Verdict } from '@apple-cart/core';
import { useBuild } from '../../state/build-store.ts';
import { withSection } from '../../state/paths.ts';
import { Movable } from './movable.tsx';
import { px, type Page } from './page-scale.ts';

/** The build with one point of its frame moved. */
const withPoint = (build: BuildDocument, name: string, { x, y }: Point): BuildDocument =>
  withSection(build, 'donor', {
    points: {
      ...build.donor.points,
      [name]: {
        xMm: Math.round(Math.min(5000, Math.max(-2000, x))),
        yMm: Math.round(Math.min(3000, Math.max(-200, y))),
      },
    },
    outline: build.donor.outline === 'unknown' ? 'assumed' : build.donor.outline,
  });

/** Points of the frame that can be moved, while the frame is being edited. */
export function FramePoints({ page, verdict }: { page: Page; verdict: Verdict }) {
  const edit = useBuild((state) => state.edit);
  return (
    <>
      {Object.entries(verdict.fit.frame.points).map(([name, point]) => {
        const at = px(page, point);
        return (
          <Movable
            key={name}
            page={page}
            label={`${pointName(name)}, ${point.x.toFixed(0)} mm ahead of the rear axle, ${point.y.toFixed(0)} mm up. Move with the arrow keys.`}
            at={point}
            onTo={(to) => {
              edit((d) => withPoint(d, name, to), 'frame point', `donor.points.${name}`);
            }}
          >
            <circle cx={at.x} cy={at.y} r="11" fill="transparent" />
            <rect
              x={at.x - 4}
              y={at.y - 4}
              width="8"
              height="8"
              fill="var(--sheet)"
              stroke="var(--slate-fill)"
              strokeWidth="2"
            >
              <title>{pointName(name)}</title>
            </rect>
          </Movable>
        );
      })}
    </>
  );
}

/** "seatTop" as "seat top". */
const pointName = (name: string): string => name.replace(/[A-Z]/g, (c) => ` ${c.toLowerCase()}`);
