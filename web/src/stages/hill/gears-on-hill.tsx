import { useMemo } from 'react';
import {
  STATED_CHARGE,
  formatNumber,
  gearName,
  msToKmh,
  type GearOnHill,
  type State,
} from '@apple-cart/core';
import { Studying } from '../../work/studying.tsx';
import { useStudy } from '../../work/use-study.ts';
import { useBuild, useDocument } from '../../state/build-store.ts';
import { withSection } from '../../state/paths.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { capital } from '../../ui/capital.ts';
import { PanelHead } from '../../ui/panel.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { TextButton } from '../../ui/text-button.tsx';
import { useDeferredStage } from '../parts/use-stage.ts';

const HELD = { damage: 'too hot', rollback: 'held back', controller: 'controller hot', never: '' } as const;

const minutes = ({ tooHotAfter, what }: GearOnHill['heat']): string =>
  tooHotAfter === undefined ? 'for ever' : `${formatNumber(tooHotAfter / 60, 0)} min, then ${HELD[what]}`;

/** The longest that a climb is watched for, s. */
const LONGEST_S = 7200;
/** A climb that is borne for a quarter of an hour is no trouble. */
const LASTS_S = 900;
const lasts = ({ heat }: GearOnHill): number => Math.min(LONGEST_S, heat.tooHotAfter ?? LONGEST_S);

/** What makes one gear better than another on the hill, the most telling first. */
const BETTER: readonly ((gear: GearOnHill) => number)[] = [
  (g) => Number(g.climbs),
  (g) => Number(g.inSpan),
  lasts,
  (g) => g.v,
];

function compareGears(a: GearOnHill, b: GearOnHill): number {
  for (const by of BETTER) {
    const difference = by(b) - by(a);
    if (difference !== 0) return difference;
  }
  return 0;
}

/** The gear that climbs with the legs in reach and lasts longest; among equals the fastest. */
const bestOf = (gears: readonly GearOnHill[]): GearOnHill | undefined => gears.toSorted(compareGears)[0];

function stateOf(gear: GearOnHill): State {
  if (!gear.climbs) return 'stop';
  return gear.inSpan && lasts(gear) > LASTS_S ? 'fine' : 'look';
}

function GearRow({ gear: g, best, binds }: { gear: GearOnHill; best: boolean; binds: string }) {
  const { gearing } = useDocument();
  const edit = useBuild((state) => state.edit);
  const shown = useQuantity();
  const held = gearing.heldCogTeeth === g.cogTeeth && gearing.heldHubGear === g.hubGear;
  return (
    <tr className={`border-b border-hair ${held ? 'bg-press' : ''} ${best ? 'font-semibold' : ''}`}>
      <th scope="row" className="py-1 pr-2 text-left font-[inherit] whitespace-nowrap">
        <span className="mr-2 inline-block align-[-2px]">
          <StateMark state={stateOf(g)} size={14} />
        </span>
        {gearName(g, gearing.cogTeeth.length)}
      </th>
      <td className="num px-2 text-right">{g.climbs ? shown(msToKmh(g.v), 'km/h').text : 'stalls'}</td>
      <td className={`num px-2 text-right ${g.climbs && !g.inSpan ? 'text-look' : ''}`}>
        {g.climbs ? formatNumber(g.cadenceRpm, 0) : '–'}
      </td>
      <td className="num px-2 text-right">{formatNumber(g.phaseA, 0)}</td>
      <td className="px-2 whitespace-nowrap">{binds}</td>
      <td className="px-2 whitespace-nowrap">{g.climbs ? minutes(g.heat) : '–'}</td>
      <td className="px-2 text-right">
        {held ? (
          <span className="text-[12.5px] text-ink2">held</span>
        ) : (
          <TextButton
            onClick={() => {
              edit(
                (d) => withSection(d, 'gearing', { heldCogTeeth: g.cogTeeth, heldHubGear: g.hubGear }),
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
}

/** Every gear on the test hill: speed, cadence, phase current, and how long the motor bears it. */
export function GearsOnHill() {
  const { document, verdict } = useDeferredStage();
  const shown = useQuantity();
  const grade = verdict.known.brief.hillGradePct.value;
  const studied = useStudy(
    'gears',
    useMemo(() => ({ build: document, charge: STATED_CHARGE, gradePct: grade }), [document, grade]),
  );
  const best = studied.value === undefined ? undefined : bestOf(studied.value);
  const suits =
    best === undefined
      ? 'Working out every gear…'
      : capital(`${gearName(best, document.gearing.cogTeeth.length)} suits the hill best`);
  return (
    <section aria-label="Gears on the hill">
      <PanelHead
        title={
          document.drive.kind === 'mid-drive'
            ? suits
            : `${document.drive.kind === 'external' ? 'This' : 'A hub'} motor does not feel the gears: they are for the legs`
        }
        note={`${formatNumber(grade, 1)} %, half charge`}
      />
      <Studying {...studied}>
        {(gears) => (
          <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Table of gears">
            <table className="w-full border-collapse text-[14px]">
              <thead>
                <tr className="border-b-[1.5px] border-ink text-left text-[13px]">
                  <th className="py-1.5 pr-2">Gear</th>
                  <th className="px-2 text-right">Speed, {shown(1, 'km/h').unit}</th>
                  <th className="px-2 text-right">Cadence, rpm</th>
                  <th className="px-2 text-right">Phase, A</th>
                  <th className="px-2">Binds</th>
                  <th className="px-2">Lasts</th>
                  <td className="px-2" />
                </tr>
              </thead>
              <tbody>
                {gears.map((gear, nth) => (
                  <GearRow
                    key={nth}
                    gear={gear}
                    best={gear === best}
                    binds={verdict.study.limitNames[gear.limit]}
                  />
                ))}
              </tbody>
            </table>
          </div>
        )}
      </Studying>
      <p className="py-2 text-[12.5px] leading-snug text-ink2">
        Each gear held from cold with all help, on the hill’s grade without an end.{' '}
        {document.drive.kind === 'mid-drive'
          ? 'A low gear turns the motor faster with less current, so it stays cooler; the legs have to follow.'
          : 'The motor turns with the wheel, the same in each; the legs push best in the gear whose cadence suits them, and leave it less to do.'}
      </p>
    </section>
  );
}
