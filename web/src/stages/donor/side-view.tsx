import { useMemo } from 'react';
import type { BuildDocument, Verdict } from '@apple-cart/core';
import { drawBicycle } from '../../drawing/bicycle.ts';
import { drawnFrom, rearAxleAt } from '../../drawing/silhouette.tsx';
import { Sketch, drawnNodes } from '../../drawing/sketch.tsx';
import { useQuantity } from '../../state/use-quantity.ts';
import { FramePoints } from './frame-points.tsx';
import { MassMarks } from './mass-mark.tsx';
import { PackShape, ROOM_MM } from './pack-shape.tsx';
import { GROUND, HEIGHT, WIDTH, px, scaleFor, type Page } from './page-scale.ts';

interface Props {
  readonly build: BuildDocument;
  readonly verdict: Verdict;
  readonly editing: boolean;
}

/** The bicycle to scale, with the pack's boxes to be moved about in it and what they run into. */
export function SideView({ build, verdict, editing }: Props) {
  const { fit, known } = verdict;
  const shown = useQuantity();
  const drawn = useMemo(() => drawnFrom(build, verdict), [build, verdict]);
  const scale = scaleFor(fit.frame, WIDTH - 12, GROUND - 10);
  const page: Page = { scale, left: rearAxleAt(drawn, WIDTH, scale) };
  const bicycle = useMemo(() => {
    const sketch = new Sketch(scale, [page.left, GROUND], scale > 0.2 ? 1.15 : 0.95);
    drawBicycle(sketch, drawn, false);
    return drawnNodes(sketch.shapes);
  }, [drawn, scale, page.left]);
  const struck = new Set(
    fit.nearest.flatMap((room) => (room !== undefined && room.mm < ROOM_MM ? [room.what] : [])),
  );
  const rider = fit.frame.points.rider;
  const load = fit.frame.points.load;
  const kg = (value: number): string => {
    const { text, unit } = shown(value, 'kg', 0);
    return `${text} ${unit}`;
  };
  const centre = { x: known.donor.massAheadMm.value, y: known.donor.massHeightMm.value };
  const up = shown(centre.y, 'mm', shown(1, 'mm').unit === 'mm' ? 0 : 1);
  return (
    <svg
      viewBox={`0 0 ${String(WIDTH)} ${String(HEIGHT)}`}
      className="block w-full overflow-visible"
      role="group"
      aria-label={`Side view to scale, ${build.donor.style}. The pack can be moved.`}
      data-testid="side-view"
      data-scale={scale}
    >
      <defs>
        <pattern id="clash" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V7" stroke="var(--stop-fill)" strokeWidth="3" />
        </pattern>
      </defs>
      {bicycle}
      <path d={`M0 ${String(GROUND)}H${String(WIDTH)}`} stroke="var(--ink)" strokeWidth="1.5" />
      {fit.frame.tubes
        .filter((tube) => struck.has(tube.name))
        .map((tube, i) => {
          const [a, b] = [px(page, tube.a), px(page, tube.b)];
          return (
            <path
              key={i}
              d={`M${String(a.x)} ${String(a.y)}L${String(b.x)} ${String(b.y)}`}
              stroke="var(--stop-fill)"
              strokeWidth={Math.max(2, tube.radius * 2 * scale - 2)}
              opacity="0.55"
            />
          );
        })}
      {fit.bosses.map((boss, i) => {
        const p = px(page, boss);
        return (
          <circle
            key={i}
            data-boss={boss.tube}
            cx={p.x}
            cy={p.y}
            r={Math.max(2.2, 6 * scale)}
            fill="var(--ink)"
          />
        );
      })}
      {fit.boxes.map((box, i) => (
        <PackShape key={i} page={page} box={box} index={i} verdict={verdict} build={build} />
      ))}
      <path
        d={`M${String(px(page, centre).x)} ${String(px(page, centre).y + 8)}V${String(GROUND)}`}
        stroke="var(--ink)"
        strokeDasharray="8 3 2 3"
        fill="none"
        pointerEvents="none"
      />
      <MassMarks
        page={page}
        masses={[
          { at: centre, label: `centre of mass, ${up.text} ${up.unit} up`, ring: true },
          ...(rider === undefined
            ? []
            : [{ at: rider, label: `rider ${kg(known.brief.riderMassKg.value)}` }]),
          ...(load === undefined || known.brief.loadMassKg.value === 0
            ? []
            : [{ at: load, label: `load ${kg(known.brief.loadMassKg.value)}` }]),
        ]}
      />
      {editing && <FramePoints page={page} verdict={verdict} />}
    </svg>
  );
}
