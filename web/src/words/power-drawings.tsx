import type { ReactNode } from 'react';
import { Axes, BLUE, Cells, Ground, INK, Motor, Rise, Span, THIN, Wheel } from './pens.tsx';

/** Drawings of what cannot be touched: volts, amps, heat, law. */
export const POWER_DRAWINGS: Readonly<Record<string, ReactNode>> = {
  kv: (
    <>
      <Axes />
      <path d="M16 84L180 20" {...INK} />
      <path d="M16 84L180 56" {...THIN} />
      <path d="M70 63V84M70 63H16" {...BLUE} />
    </>
  ),
  resistance: (
    <>
      <Motor x={52} y={48} r={34} />
      <path d="M100 48h14l5-12 10 24 10-24 10 24 5-12h30" {...BLUE} />
      <path d="M122 24q-4-6 0-10M138 24q-4-6 0-10M154 24q-4-6 0-10" {...THIN} />
    </>
  ),
  'core-loss': (
    <>
      <Axes />
      <path d="M16 70H190" {...THIN} strokeDasharray="5 4" />
      <path d="M16 70L184 30" {...INK} />
      <Rise y0={70} y1={84} x={40} />
      <Rise y0={39} y1={70} x={146} />
    </>
  ),
  'rated-power': (
    <>
      <Axes />
      <path d="M16 84L40 18q10-8 22 4q14 24 60 26H186" {...INK} />
      <path d="M16 48H186" {...BLUE} strokeDasharray="6 4" />
    </>
  ),
  binds: (
    <>
      <Axes />
      <path d="M16 20H110" {...THIN} />
      <path d="M60 8Q110 40 184 62" {...THIN} />
      <path d="M16 20H76" {...INK} />
      <path d="M76 19Q120 44 184 62" {...BLUE} strokeWidth={3.4} />
    </>
  ),
  'low-voltage': (
    <>
      <Axes />
      <path d="M16 18Q60 32 120 38Q150 44 160 84" {...INK} />
      <path d="M16 52H186" {...BLUE} strokeDasharray="6 4" />
      <circle cx={149} cy={52} r={4} {...BLUE} />
    </>
  ),
  protection: (
    <>
      <Cells x={16} y={26} n={4} />
      <path d="M92 24h40v48H92z" {...BLUE} />
      <path d="M78 48h14M132 48h18" {...INK} />
      <path d="M150 48l18-14M172 48h18" {...BLUE} />
    </>
  ),
  'amp-hour': (
    <>
      <Axes />
      <path d="M16 44H150V84" {...INK} />
      <path d="M30 84V44M50 84V44M70 84V44M90 84V44M110 84V44M130 84V44" {...THIN} />
      <Span x0={16} x1={150} y={90} />
      <Rise y0={44} y1={84} x={166} />
    </>
  ),
  health: (
    <>
      <path d="M20 20h150v52H20zM170 38h10v16h-10" {...INK} />
      <path d="M126 20v52" {...BLUE} />
      <path d="M134 20v52M144 20v52M154 20v52M162 20v52" {...THIN} />
      <Span x0={20} x1={126} y={84} />
    </>
  ),
  'charge-limit': (
    <>
      <path d="M70 12h60v76H70zM88 4h24v8H88" {...INK} />
      <path d="M70 30h60" {...BLUE} strokeDasharray="6 4" />
      <path d="M74 34h52v50H74z" {...THIN} />
      <Rise y0={30} y1={88} x={146} />
    </>
  ),
  'assist-ratio': (
    <>
      <path d="M60 84V62h26v22z" {...INK} />
      <path d="M114 84V18h26v66z" {...BLUE} />
      <path d="M40 84H160" {...THIN} />
      <path d="M114 40h26M114 62h26" {...THIN} />
    </>
  ),
  regeneration: (
    <>
      <path d="M14 24L110 74" {...INK} />
      <Wheel x={62} y={30} r={18} />
      <path d="M140 34h40v38h-40zM152 28h16v6h-16" {...INK} />
      <path d="M84 40q26 22 50 12M126 46l8 6-8 7" {...BLUE} />
    </>
  ),
  weakening: (
    <>
      <Axes />
      <path d="M16 24H90L130 84" {...INK} />
      <path d="M90 24L176 84" {...BLUE} strokeDasharray="6 4" />
    </>
  ),
  rollback: (
    <>
      <Axes />
      <path d="M16 24H84L146 84" {...INK} />
      <Span x0={84} x1={146} y={14} />
      <path d="M160 30q-4-6 0-10M172 30q-4-6 0-10" {...BLUE} />
    </>
  ),
  rolling: (
    <>
      <Ground y={78} />
      <path d="M70 78q-18-24 0-46a34 34 0 0 1 56 0q18 22 0 46z" {...INK} />
      <path d="M98 52V20M92 28l6-8 6 8" {...THIN} />
      <path d="M160 70H134M142 64l-8 6 8 6" {...BLUE} />
    </>
  ),
  reserve: (
    <>
      <path d="M14 48H150" {...INK} strokeWidth={4} />
      <path d="M150 48H186" {...BLUE} strokeWidth={4} strokeDasharray="5 4" />
      <path d="M14 38v20M150 38v20M186 38v20" {...INK} />
      <Span x0={150} x1={186} y={72} />
    </>
  ),
  inrush: (
    <>
      <path d="M10 60h44M146 60h44M160 44v32M168 44v32" {...INK} />
      <path d="M54 60l28-16" {...INK} />
      <path d="M96 60h50" {...INK} />
      <path d="M40 60V26h24l4-8 8 16 8-16 8 16 4-8h30v34" {...BLUE} />
    </>
  ),
  fuse: (
    <>
      <path d="M10 48h44M146 48h44" {...INK} />
      <path d="M54 30h92v36H54z" {...INK} />
      <path d="M54 48q23-14 46 0q23 14 46 0" {...BLUE} />
    </>
  ),
  class: (
    <>
      <Ground y={82} />
      <path d="M30 82V26h40v56M84 82V40h40v42M138 82V14h40v68" {...THIN} />
      <path d="M84 82V40h40v42z" {...BLUE} />
      <path d="M94 62l8 8 14-18" {...BLUE} />
    </>
  ),
  source: (
    <>
      <path d="M24 40v16M24 48h40M64 40v16" {...INK} />
      <path d="M86 40h20l10 8-10 8H86z" {...INK} />
      <path d="M134 48q6-10 12 0t12 0" {...BLUE} />
      <circle cx={178} cy={48} r={9} {...INK} />
      <path d="M175 45q0-4 3-4t3 3q0 2-3 4M178 52v.5" {...INK} />
    </>
  ),
};
