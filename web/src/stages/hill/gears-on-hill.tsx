import { useMemo } from 'react';
import { LIMIT_WORDS, STATED_CHARGE, formatNumber, msToKmh, type GearOnHill } from '@apple-cart/core';
import { useStudy } from '../../ride/use-study.ts';
import { useBuild } from '../../state/build-store.ts';
import { withSection } from '../../state/paths.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { PanelHead } from '../../ui/panel.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { TextButton } from '../../ui/text-button.tsx';
import { useDeferredStage } from '../parts/use-stage.ts';

const minutes = ({ tooHotAfter, what }: GearOnHill['heat']): string =>
  tooHotAfter === undefined
    ? 'for ever'
    : `${formatNumber(tooHotAfter / 60, 0)} min, then ${what === 'damage' ? 'too hot' : 'held back'}`;

/** The gear that climbs with the legs in reach and lasts longest; among equals the fastest. */
function bestOf(gears: readonly GearOnHill[]): GearOnHill | undefined {
  const score = (g: GearOnHill): number =>
    (g.climbs ? 1e9 : 0) + (g.inSpan ? 1e6 : 0) + Math.min(7200, g.heat.tooHotAfter ?? 7200) * 10 + g.v;
  return [...gears].sort((a, b) => score(b) - score(a))[0];
}

/** Every gear on the test hill: speed, cadence, phase current, and how long the motor bears it. */
export function GearsOnHill() {
  const { document, verdict } = useDeferredStage();
  const edit = useBuild((state) => state.edit);
  const shown = useQuantity();
  const grade = verdict.known.brief.hillGradePct.value;
  const input = useMemo(
    () => ({ build: document, charge: STATED_CHARGE, gradePct: grade }),
    [document, grade],
  );
  const { value, busy, failed } = useStudy('gears', input);
  const hub = document.drive.kind !== 'mid-drive';
  const best = value === undefined ? undefined : bestOf(value);
  const name = (g: GearOnHill): string =>
    g.hubGear === null ? `${String(g.cogTeeth)} T` : `${String(g.cogTeeth)} T, gear ${String(g.hubGear)}`;
  const held = (g: GearOnHill): boolean =>
    document.gearing.heldCogTeeth === g.cogTeeth && document.gearing.heldHubGear === g.hubGear;
  return (
    <section aria-label="Gears on the hill" aria-busy={busy}>
      <PanelHead
        title={
          hub
            ? 'A hub motor does not feel the gears: they are for the legs'
            : best === undefined
              ? 'Working out every gear…'
              : `${name(best)} suits the hill best`
        }
        note={`${formatNumber(grade, 1)} %, half charge`}
      />
      {failed && (
        <p role="alert" className="border-[1.5px] border-stop bg-stop-tint px-3 py-2">
          The gears could not be worked out. Change a value to try again.
        </p>
      )}
      <div
        className={`overflow-x-auto ${busy ? 'opacity-60' : ''}`}
        tabIndex={0}
        role="region"
        aria-label="Table of gears"
      >
        <table className="w-full border-collapse text-[14px]">
          <thead>
            <tr className="border-b-[1.5px] border-ink text-left text-[13px]">
              <th className="py-1.5 pr-2">Gear</th>
              <th className="px-2 text-right">Speed, {shown(1, 'km/h').unit}</th>
              <th className="px-2 text-right">Cadence, rpm</th>
              <th className="px-2 text-right">Phase, A</th>
              <th className="px-2">Binds</th>
              <th className="px-2">Lasts</th>
              <th className="px-2" />
            </tr>
          </thead>
          <tbody>
            {(value ?? []).map((g) => {
              const state = !g.climbs
                ? 'stop'
                : g.inSpan && (g.heat.tooHotAfter ?? 7200) > 900
                  ? 'fine'
                  : 'look';
              return (
                <tr
                  key={name(g)}
                  className={`border-b border-hair ${held(g) ? 'bg-press' : ''} ${g === best ? 'font-semibold' : ''}`}
                >
                  <th scope="row" className="py-1 pr-2 text-left font-[inherit] whitespace-nowrap">
                    <span className="mr-2 inline-block align-[-2px]">
                      <StateMark state={state} size={14} />
                    </span>
                    {name(g)}
                  </th>
                  <td className="num px-2 text-right">
                    {g.climbs ? shown(msToKmh(g.v), 'km/h').text : 'stalls'}
                  </td>
                  <td className={`num px-2 text-right ${g.climbs && !g.inSpan ? 'text-look' : ''}`}>
                    {g.climbs ? formatNumber(g.cadenceRpm, 0) : '–'}
                  </td>
                  <td className="num px-2 text-right">{formatNumber(g.phaseA, 0)}</td>
                  <td className="px-2 whitespace-nowrap">{LIMIT_WORDS[g.limit]}</td>
                  <td className="px-2 whitespace-nowrap">{g.climbs ? minutes(g.heat) : '–'}</td>
                  <td className="px-2 text-right">
                    {held(g) ? (
                      <span className="text-[12.5px] text-ink2">held</span>
                    ) : (
                      <TextButton
                        onClick={() => {
                          edit(
                            (d) =>
                              withSection(d, 'gearing', { heldCogTeeth: g.cogTeeth, heldHubGear: g.hubGear }),
                            'cog held',
                          );
                        }}
                      >
                        Hold it
                      </TextButton>
                    )}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      <p className="py-2 text-[12.5px] leading-snug text-ink2">
        Each gear held from cold with all help, on the hill’s grade without an end. A low gear turns the motor
        faster with less current, so it stays cooler; the legs have to follow.
      </p>
    </section>
  );
}
