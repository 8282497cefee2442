import type { ReactNode } from 'react';
import { BLUE, Ground, INK, Rise, Span, THIN, Wheel } from './pens.tsx';
import { POWER_DRAWINGS } from './power-drawings.tsx';

/** Small drawings, 200 by 96: the thing in ink, what the word measures in blue. */
const DRAWINGS: Readonly<Record<string, ReactNode>> = {
  'roll-out': (
    <>
      <Ground y={72} />
      <Wheel x={34} y={44} r={27} />
      <Wheel x={166} y={44} r={27} />
      <path d="M34 71v-9M166 71v-9" {...BLUE} />
      <Span x0={34} x1={166} y={84} />
    </>
  ),
  bead: (
    <>
      <path
        d="M60 12v14q0 10-12 10M140 12v14q0 10 12 10M60 84v-14q0-10-12-10M140 84v-14q0-10 12-10"
        {...INK}
      />
      <path d="M60 26H140M60 70H140" {...THIN} />
      <Rise y0={26} y1={70} x={100} />
    </>
  ),
  'over-locknut': (
    <>
      <path d="M40 10v64M160 10v64" {...INK} />
      <path d="M20 42H180M56 30v24M144 30v24M56 36h12v12H56zM144 36h-12v12h12z" {...INK} />
      <circle cx={100} cy={42} r={20} {...THIN} />
      <Span x0={56} x1={144} y={84} />
    </>
  ),
  dropout: (
    <>
      <path d="M70 8l16 46q4 20 22 20t20-18V40q0-8-8-8t-8 8v14" {...INK} />
      <circle cx={112} cy={46} r={6} {...BLUE} />
    </>
  ),
  flats: (
    <>
      <path d="M78 30a28 28 0 0 1 44 0v36a28 28 0 0 1-44 0z" {...INK} />
      <Span x0={78} x1={122} y={86} />
    </>
  ),
  'torque-arm': (
    <>
      <path d="M20 20L150 52" {...INK} strokeWidth={7} stroke="var(--ink3)" />
      <path d="M150 52q14 4 20-6M150 66q14 0 20-8" {...INK} />
      <path d="M40 38l100 28a12 12 0 1 0 4-20L44 20z" {...BLUE} />
      <path d="M138 48h14v10h-14z" {...INK} />
    </>
  ),
  shell: (
    <>
      <path d="M56 24h88v48H56z" {...INK} />
      <path d="M30 48H170" {...THIN} />
      <path d="M100 24L70 4M100 24L140 4" {...INK} />
      <Span x0={56} x1={144} y={86} />
    </>
  ),
  chainline: (
    <>
      <path d="M100 6v84" {...THIN} strokeDasharray="5 4" />
      <path d="M132 12v24M132 60v24M132 36L132 60" {...INK} />
      <path d="M128 18h8M128 78h8" {...INK} strokeWidth={4} />
      <Span x0={100} x1={132} y={48} />
    </>
  ),
  stay: (
    <>
      <Wheel x={40} y={62} r={26} />
      <path d="M110 66L150 14M110 66L96 14M96 14H150" {...INK} />
      <path d="M40 62L110 66" {...BLUE} strokeWidth={3} />
      <path d="M40 62L96 14" {...INK} />
    </>
  ),
  'battery-current': <Currents marked="battery" />,
  'phase-current': <Currents marked="phase" />,
  series: (
    <>
      <path
        d="M14 30h14M28 20h26v20H28zM54 30h14M68 20h26v20H68zM94 30h14M108 20h26v20h-26zM134 30h14"
        {...INK}
      />
      <Span x0={14} x1={148} y={58} />
      <path
        d="M160 16h26v18h-26zM160 46h26v18h-26zM152 25h8M152 55h8M152 25v30M186 25h8M186 55h8M194 25v30"
        {...THIN}
      />
    </>
  ),
  sag: (
    <>
      <path d="M16 84H190M16 84V8" {...THIN} />
      <path d="M16 22H70V48H140V24H190" {...INK} />
      <Rise y0={22} y1={48} x={104} />
    </>
  ),
  grade: (
    <>
      <path d="M20 80H180L180 36z" {...INK} />
      <Rise y0={36} y1={80} x={188} />
      <Span x0={20} x1={180} y={90} />
    </>
  ),
  fade: (
    <>
      <path d="M16 84H190M16 84V8" {...THIN} />
      <path d="M16 24H110L160 84" {...INK} />
      <Span x0={110} x1={160} y={14} />
    </>
  ),
  'cut-off': (
    <>
      <path d="M16 84H190M16 84V8" {...THIN} />
      <path d="M16 24H130V84" {...INK} />
      <path d="M130 12V84" {...BLUE} strokeDasharray="5 4" />
    </>
  ),
  reduction: (
    <>
      <circle cx={130} cy={48} r={36} {...INK} />
      <circle cx={82} cy={48} r={12} {...BLUE} />
      <path d="M82 48h4M130 48h6" {...INK} />
    </>
  ),
  ...POWER_DRAWINGS,
  'tyre-pressure': (
    <>
      <Ground y={84} />
      <circle cx={100} cy={46} r={38} {...THIN} />
      <path d="M76 82q-18-10-18-36a42 38 0 0 1 84 0q0 26-18 36z" {...INK} />
      <path d="M88 84v8M112 84v8M88 88h24" {...BLUE} />
    </>
  ),
  'soft-ground': (
    <>
      <path d="M10 74h62q4 16 28 16t28-16h62" {...INK} />
      <Wheel x={100} y={48} r={40} />
      <Rise y0={74} y1={90} x={150} />
    </>
  ),
  'drag-area': (
    <>
      <path d="M110 84q-22-10-16-40q2-18 16-22q-8-14 4-14t4 14q14 4 16 22q6 30-16 40z" {...INK} />
      <path d="M20 30h50M20 50h56M20 70h50" {...BLUE} markerEnd="" />
      <path d="M64 26l8 4-8 4M70 46l8 4-8 4M64 66l8 4-8 4" {...BLUE} />
    </>
  ),
};

function Currents({ marked }: { marked: 'battery' | 'phase' }) {
  const [left, right] = marked === 'battery' ? [BLUE, THIN] : [THIN, BLUE];
  return (
    <>
      <path d="M10 34h34v28H10z" {...INK} />
      <path d="M84 30h36v36H84z" {...INK} />
      <circle cx={172} cy={48} r={20} {...INK} />
      <path d="M44 42h40M44 54h40" {...left} />
      <path d="M120 40h34M120 48h32M120 56h34" {...right} />
    </>
  );
}

export const hasDrawing = (id: string): boolean => DRAWINGS[id] !== undefined;

/** The drawing of a word; nothing for one that has none. */
export function TermDrawing({ id }: { id: string }) {
  const drawing = DRAWINGS[id];
  if (drawing === undefined) return null;
  return (
    <svg
      viewBox="0 0 200 96"
      className="my-2 block w-full max-w-[220px] border border-hair bg-field p-1"
      aria-hidden
    >
      {drawing}
    </svg>
  );
}
