import { useDrag } from '@use-gesture/react';
import { useMemo, useRef } from 'react';
import { corners, type Box, type BuildDocument, type Point, type Verdict } from '@apple-cart/core';
import { drawBicycle } from '../../drawing/bicycle.ts';
import { drawnFrom, rearAxleAt } from '../../drawing/silhouette.tsx';
import { Sketch } from '../../drawing/sketch.tsx';
import { useBuild } from '../../state/build-store.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { withSection } from '../../state/paths.ts';
import { PLACE_NAMES, droppedAt, withBox } from './pack-boxes.ts';
import { scaleFor } from './side-scale.ts';

export const WIDTH = 628;
const HEIGHT = 292;
const GROUND = HEIGHT - 6;
/** Room below which a box counts as touching, mm. */
const ROOM_MM = 10;

/** Millimetres of the bicycle to pixels of the picture, and back. */
interface Page {
  readonly scale: number;
  readonly left: number;
}
const px = (page: Page, { x, y }: Point): Point => ({
  x: page.left + x * page.scale,
  y: GROUND - y * page.scale,
});
const points = (page: Page, list: readonly Point[]): string =>
  list
    .map((p) => px(page, p))
    .map((p) => `${p.x.toFixed(1)},${p.y.toFixed(1)}`)
    .join(' ');

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
function Movable({ page, label, at, onTo, children }: Moved) {
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
      {children}
    </g>
  );
}

function PackBox({
  page,
  box,
  index,
  verdict,
  build,
}: {
  page: Page;
  box: Box;
  index: number;
  verdict: Verdict;
  build: BuildDocument;
}) {
  const edit = useBuild((state) => state.edit);
  const near = verdict.fit.nearest[index];
  const boss = verdict.fit.checks.find((c) => c.id === 'pack-boss');
  const clash = (near !== undefined && near.mm < 0) || boss?.would === 'stop';
  const tight = near !== undefined && near.mm < ROOM_MM;
  const color = clash ? 'var(--stop-fill)' : tight ? 'var(--look-fill)' : 'var(--slate-fill)';
  const place = build.pack.boxes[index]?.place ?? 'free';
  const middle = px(page, box);
  const long = box.lengthMm * page.scale;
  const mass = verdict.known.pack.massKg.value / verdict.fit.boxes.length;
  const shown = useQuantity();
  const { text, unit } = shown(mass, 'kg');
  return (
    <Movable
      page={page}
      label={`Pack box ${String(index + 1)}, ${PLACE_NAMES[place]}, ${box.x.toFixed(0)} mm ahead of the rear axle, ${box.y.toFixed(0)} mm up. Move with the arrow keys.`}
      at={box}
      onTo={(to, by) => {
        edit(
          (d) => withBox(d, index, droppedAt(verdict.fit.frame, box, to.x, to.y, by)),
          'pack place',
          `pack.box${String(index)}`,
        );
      }}
    >
      <polygon
        data-pack={index}
        points={points(page, corners(box))}
        fill="var(--slate-tint)"
        stroke={color}
        strokeWidth={clash ? 3 : 2}
      />
      {clash && <polygon points={points(page, corners(box))} fill="url(#clash)" />}
      {long > 60 && (
        <text
          x={middle.x}
          y={middle.y}
          transform={`rotate(${String(-upright(box.angleDeg))} ${String(middle.x)} ${String(middle.y)})`}
          textAnchor="middle"
          dominantBaseline="central"
          fontSize="12"
          fontFamily="var(--font-num)"
          fill="var(--slate)"
          pointerEvents="none"
        >
          {`pack ${text} ${unit}`}
        </text>
      )}
    </Movable>
  );
}

/** An angle turned so that writing along it stands the right way up. */
const upright = (degrees: number): number => {
  const half = ((((degrees + 90) % 180) + 180) % 180) - 90;
  return half;
};

/** The build with one point of its frame moved. */
export const withPoint = (build: BuildDocument, name: string, { x, y }: Point): BuildDocument =>
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
function FramePoints({ page, verdict }: { page: Page; verdict: Verdict }) {
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
export const pointName = (name: string): string => name.replace(/[A-Z]/g, (c) => ` ${c.toLowerCase()}`);

function MassMark({
  page,
  at,
  label,
  ring = false,
}: {
  page: Page;
  at: Point;
  label: string;
  ring?: boolean;
}) {
  const p = px(page, at);
  return (
    <g pointerEvents="none">
      <circle
        cx={p.x}
        cy={p.y}
        r={ring ? 8 : 4}
        fill={ring ? 'var(--sheet)' : 'var(--ink3)'}
        stroke="var(--ink)"
        strokeWidth={ring ? 1.5 : 0}
      />
      {ring && (
        <path d={`M${String(p.x)} ${String(p.y)}v-8a8 8 0 0 1 8 8zv8a8 8 0 0 1 -8 -8z`} fill="var(--ink)" />
      )}
      <text
        x={p.x + (ring ? 12 : 8)}
        y={p.y + 4}
        fontSize="12"
        fontWeight={ring ? 700 : 400}
        fill={ring ? 'var(--ink)' : 'var(--ink2)'}
        stroke="var(--sheet)"
        strokeWidth="4"
        paintOrder="stroke"
      >
        {label}
      </text>
    </g>
  );
}

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
    const sketch = new Sketch(scale, [page.left, GROUND], 'var(--sheet)', scale > 0.2 ? 1.15 : 0.95);
    drawBicycle(sketch, drawn, false);
    return sketch.nodes;
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
        <PackBox key={i} page={page} box={box} index={i} verdict={verdict} build={build} />
      ))}
      {rider !== undefined && (
        <MassMark page={page} at={rider} label={`rider ${kg(known.brief.riderMassKg.value)}`} />
      )}
      {load !== undefined && known.brief.loadMassKg.value > 0 && (
        <MassMark page={page} at={load} label={`load ${kg(known.brief.loadMassKg.value)}`} />
      )}
      <path
        d={`M${String(px(page, centre).x)} ${String(px(page, centre).y + 8)}V${String(GROUND)}`}
        stroke="var(--ink)"
        strokeDasharray="8 3 2 3"
        fill="none"
        pointerEvents="none"
      />
      <MassMark page={page} at={centre} label={`centre of mass, ${up.text} ${up.unit} up`} ring />
      {editing && <FramePoints page={page} verdict={verdict} />}
    </svg>
  );
}
