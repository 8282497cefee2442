import type { Level } from '@apple-cart/core';
import { Link } from 'react-router';
import { FieldGroup } from '../../fields/field-group.tsx';
import { LevelsView } from '../parts/levels-view.tsx';
import type { SettingsSheet } from './use-settings-sheet.ts';

export function LevelsInputs({ sheet }: { sheet: SettingsSheet }) {
  const { controls } = sheet.document;
  return (
    <FieldGroup
      title="Help levels"
      note={controls.levels === 0 ? 'not said: five are usual' : String(controls.levels)}
    >
      <p className="border-b border-hair py-1.5 leading-snug">
        Levels that multiply the legs grow by equal ratios from the lowest to the highest; those of a cadence
        sensor part the controller’s amps evenly. Common practice, no source.
      </p>
      <p className="py-1.5 leading-snug">
        Number, lowest and highest help are entered at{' '}
        <Link className="text-slate underline" to="../drive" relative="path">
          Drive
        </Link>
        .
      </p>
    </FieldGroup>
  );
}

const [WIDTH, HEIGHT] = [420, 240] as const;
const EDGE = { left: 44, right: 26, top: 14, bottom: 38 } as const;
/** Rider watts of the chart. */
const RIDER_W = 250;

/** Motor watts against rider watts, a line for each level that multiplies the legs, cut off at the most. */
function LevelsChart({ levels, mostW }: { levels: readonly Level[]; mostW: number }) {
  const top = Math.max(100, mostW * 1.1);
  const x = (w: number): number => EDGE.left + ((WIDTH - EDGE.left - EDGE.right) * w) / RIDER_W;
  const y = (w: number): number => HEIGHT - EDGE.bottom - ((HEIGHT - EDGE.top - EDGE.bottom) * w) / top;
  return (
    <svg
      viewBox={`0 0 ${String(WIDTH)} ${String(HEIGHT)}`}
      className="block w-full max-w-[520px]"
      role="img"
      aria-label="Motor watts against rider watts, level by level; the table holds the same"
    >
      {[0, 50, 100, 150, 200, 250].map((w) => (
        <g key={w}>
          <path
            d={`M${String(x(w))} ${String(EDGE.top)}V${String(HEIGHT - EDGE.bottom)}`}
            className="stroke-hair"
          />
          <text
            x={x(w)}
            y={HEIGHT - EDGE.bottom + 15}
            textAnchor="middle"
            className="num fill-ink2 text-[11px]"
          >
            {w}
          </text>
        </g>
      ))}
      {[0, 0.25, 0.5, 0.75, 1].map((part) => (
        <text
          key={part}
          x={EDGE.left - 6}
          y={y(part * top) + 4}
          textAnchor="end"
          className="num fill-ink2 text-[11px]"
        >
          {Math.round((part * top) / 10) * 10}
        </text>
      ))}
      {levels.map(({ level, sets }) => {
        const knee = Math.min(RIDER_W, mostW / Math.max(0.01, sets.value));
        const end = Math.min(mostW, sets.value * RIDER_W);
        return (
          <g key={level}>
            <path
              d={`M${String(x(0))} ${String(y(0))}L${String(x(knee))} ${String(y(Math.min(mostW, sets.value * knee)))}L${String(x(RIDER_W))} ${String(y(end))}`}
              className="fill-none stroke-ink"
              strokeWidth={1.6}
            />
            <text x={x(RIDER_W) + 5} y={y(end) + 4} className="num fill-ink text-[12px] font-bold">
              {level}
            </text>
          </g>
        );
      })}
      <text x={EDGE.left + 4} y={EDGE.top + 10} className="fill-ink2 text-[11px]">
        Motor, W
      </text>
      <text x={WIDTH - EDGE.right} y={HEIGHT - 6} textAnchor="end" className="fill-ink2 text-[11px]">
        Rider, W
      </text>
    </svg>
  );
}

/** Motor against legs where the levels multiply them, and each level with the speeds that it holds and how far it goes. */
export function LevelsPicture({ sheet }: { sheet: SettingsSheet }) {
  const { levels } = sheet.verdict.range;
  const { throttle } = sheet.document.controls;
  const hand = throttle === 'full' || throttle === 'pedalling';
  const byRatio = levels.length > 0 && levels.every((l) => l.sets.unit === '1');
  const byTorque = sheet.verdict.study.machine.assistOf === 'torque';
  return (
    <>
      <LevelsView withClass />
      {byRatio && byTorque && (
        <p className="pt-2 text-[12.5px] text-ink2">
          The help follows the push on the pedals: for the same watts of the legs it is the more watts the
          taller the gear, so that no line of watts for watts is drawn.
        </p>
      )}
      {byRatio && !byTorque && (
        <section aria-label="Help against legs" className="pt-3">
          <h3 className="head border-b-[1.5px] border-ink pb-1 text-[14px]">Motor watts for rider watts</h3>
          <LevelsChart levels={levels} mostW={sheet.verdict.power.inputW} />
        </section>
      )}
      <p className="pt-2 text-[12.5px] text-ink2">
        The class is that of the highest level that the rider can reach, whatever level is chosen: a level
        above counts until it is taken off the display, with the programmer and not from the bar.{' '}
        {hand
          ? 'The hand control gives all there is at every level, so that leaving levels out changes only what the law asks of the pedals’ help. '
          : ''}
        Planning aid, not legal advice.
      </p>
    </>
  );
}
