import type { BuildDocument, Verdict } from '@apple-cart/core';
import { useQuantity } from '../../state/use-quantity.ts';
import { Silhouette } from '../../drawing/silhouette.tsx';

const WIDTH = 628;
const HEIGHT = 300;
const MARGIN_MM = 560;

/** Widest and tallest a drawing may get: the scale follows the machine. */
function scaleFor(wheelbase: number, style: BuildDocument['donor']['style']): number {
  const tall = style === 'carriage' ? 1750 : 1320;
  const wide = wheelbase + 2 * (style === 'recumbent' ? MARGIN_MM + 180 : MARGIN_MM);
  return Math.min(WIDTH / wide, (HEIGHT - 12) / tall);
}

/** The donor to scale, with wheelbase, centre of mass and what each end carries. */
export function DonorDrawing({ build, verdict }: { build: BuildDocument; verdict: Verdict }) {
  const shown = useQuantity();
  const { wheelbaseMm, massAheadMm, massHeightMm } = verdict.known.donor;
  const scale = scaleFor(wheelbaseMm.value, build.donor.style);
  const ground = HEIGHT - 4;
  const shift = build.donor.style === 'trike' ? 90 * scale : 0;
  const rear = (WIDTH - wheelbaseMm.value * scale) / 2 - shift;
  const front = rear + wheelbaseMm.value * scale;
  const mass = { x: rear + massAheadMm.value * scale, y: ground - massHeightMm.value * scale };
  const words = (value: number, unit: 'kg' | 'mm', digits: number): string => {
    const { text, unit: name } = shown(value, unit, digits);
    return `${text} ${name}`;
  };
  const total = verdict.axlesKg.rear + verdict.axlesKg.front;
  const share = (part: number): string => `${String(Math.round((100 * part) / total))} %`;
  const metric = shown(1, 'mm').unit === 'mm';
  return (
    <figure className="keep-together">
      <div className="relative">
        <Silhouette build={build} known={verdict.known} width={WIDTH} height={HEIGHT} scale={scale} />
        <svg
          viewBox={`0 0 ${String(WIDTH)} ${String(HEIGHT)}`}
          className="absolute inset-0 w-full overflow-visible"
          aria-hidden
        >
          <path
            d={`M${String(mass.x)} 22V${String(ground)}`}
            stroke="var(--ink)"
            strokeDasharray="8 3 2 3"
            fill="none"
          />
          <circle cx={mass.x} cy={mass.y} r="8" fill="var(--sheet)" stroke="var(--ink)" strokeWidth="1.5" />
          <path
            d={`M${String(mass.x)} ${String(mass.y)}v-8a8 8 0 0 1 8 8zv8a8 8 0 0 1 -8 -8z`}
            fill="var(--ink)"
          />
          <text
            x={mass.x + 8}
            y={32}
            fontSize="12.5"
            fontWeight="700"
            fill="var(--ink)"
            stroke="var(--sheet)"
            strokeWidth="4"
            paintOrder="stroke"
          >
            Centre of mass, {words(massHeightMm.value, 'mm', metric ? 0 : 1)} up
          </text>
        </svg>
      </div>
      <svg
        viewBox={`0 0 ${String(WIDTH)} 34`}
        className="block w-full"
        role="img"
        aria-label={`Wheelbase ${words(wheelbaseMm.value, 'mm', 0)}`}
      >
        {[rear, mass.x, front].map((x) => (
          <path key={x} d={`M${String(x)} 2v28`} stroke="var(--ink2)" strokeWidth="1" />
        ))}
        <Dimension from={rear} to={mass.x} y={10} text={words(massAheadMm.value, 'mm', metric ? 0 : 1)} />
        <Dimension
          from={mass.x}
          to={front}
          y={10}
          text={words(wheelbaseMm.value - massAheadMm.value, 'mm', metric ? 0 : 1)}
        />
        <Dimension
          from={rear}
          to={front}
          y={26}
          text={`wheelbase ${words(wheelbaseMm.value, 'mm', metric ? 0 : 1)}`}
        />
      </svg>
      <figcaption className="flex justify-between border-b border-hair pb-2">
        <span>
          <b className="figure-number text-[20px]">{words(verdict.axlesKg.rear, 'kg', 0)}</b>
          <span className="block text-[12.5px] text-ink2">rear, {share(verdict.axlesKg.rear)}</span>
        </span>
        <span className="max-w-[46%] text-center text-[12.5px] text-ink2">
          rider and load on, at rest on the level: moments about the rear contact, statics
        </span>
        <span className="text-right">
          <b className="figure-number text-[20px]">{words(verdict.axlesKg.front, 'kg', 0)}</b>
          <span className="block text-[12.5px] text-ink2">front, {share(verdict.axlesKg.front)}</span>
        </span>
      </figcaption>
    </figure>
  );
}

function Dimension({ from, to, y, text }: { from: number; to: number; y: number; text: string }) {
  const width = text.length * 7.2 + 10;
  const middle = (from + to) / 2;
  return (
    <g>
      <path
        d={`M${String(from)} ${String(y)}H${String(to)}M${String(from + 6)} ${String(y - 3)}l-6 3 6 3M${String(to - 6)} ${String(y - 3)}l6 3 -6 3`}
        stroke="var(--ink2)"
        strokeWidth="1"
        fill="none"
      />
      <rect x={middle - width / 2} y={y - 7} width={width} height="14" fill="var(--sheet)" />
      <text
        x={middle}
        y={y + 4}
        textAnchor="middle"
        fontSize="12"
        fill="var(--ink)"
        fontFamily="var(--font-num)"
      >
        {text}
      </text>
    </g>
  );
}
