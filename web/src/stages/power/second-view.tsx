import { useMemo } from 'react';
import { firstOf, formatNumber, twoPackStudy, type Joining } from '@apple-cart/core';
import { ChartPanel } from '../../charts/chart-panel.tsx';
import { shareChart } from '../../charts/share-chart.ts';
import { useChartInk } from '../../charts/use-chart-ink.ts';
import { ChoiceField } from '../../fields/choice-field.tsx';
import { FieldGroup } from '../../fields/field-group.tsx';
import { NumberField } from '../../fields/number-field.tsx';
import { useBuild } from '../../state/build-store.ts';
import { withSection } from '../../state/paths.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { PanelHead } from '../../ui/panel.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { CheckTable } from '../parts/check-table.tsx';
import { NameField } from '../parts/name-field.tsx';
import { useDeferredStage, useStage } from '../parts/use-stage.ts';
import { CHEMISTRY } from './power-fields.tsx';

const JOINS: readonly { readonly value: Joining; readonly label: string; readonly note?: string }[] = [
  { value: 'none', label: 'none' },
  { value: 'switch', label: 'by a switch', note: 'one at a time: any packs' },
  { value: 'combiner', label: 'through ideal diodes', note: 'the higher one feeds first' },
  { value: 'parallel', label: 'directly in parallel', note: 'only packs of one kind, equally charged' },
];

export function SecondFields() {
  const { document } = useStage();
  const edit = useBuild((state) => state.edit);
  const { join, chemistry } = document.second;
  return (
    <FieldGroup title="Second pack">
      <ChoiceField
        label="Joined"
        value={join}
        options={JOINS}
        onChange={(next) => {
          edit((d) => withSection(d, 'second', { join: next }), 'second pack');
        }}
      />
      {join !== 'none' && (
        <>
          <NameField section="second" label="Which pack" />
          <ChoiceField
            label="Chemistry"
            value={chemistry}
            options={CHEMISTRY}
            onChange={(next) => {
              edit((d) => withSection(d, 'second', { chemistry: next }), 'chemistry of the second pack');
            }}
          />
          <NumberField path="second.nominalV" />
          <NumberField path="second.cellsInSeries" />
          <NumberField path="second.capacityAh" />
          <NumberField path="second.bmsCurrentA" label="Protection limit" />
          <NumberField path="second.cellsContinuousA" />
          {join !== 'parallel' && <NumberField path="second.combinerA" />}
          <NumberField path="second.chargedPct" />
          <NumberField path="second.wiringMohm" label="Leads and plugs" />
          <NumberField path="second.healthPct" />
          <NumberField path="second.massKg" label="Mass" />
        </>
      )}
    </FieldGroup>
  );
}

function Sharing({ study }: { study: NonNullable<ReturnType<typeof twoPackStudy>> }) {
  const { document } = useDeferredStage();
  const ink = useChartInk();
  const names = useMemo(() => [study.packs[0].name, study.packs[1].name] as const, [study]);
  const { sharing } = study;
  const option = useMemo(
    () => (sharing === undefined ? undefined : shareChart(sharing, names, ink)),
    [sharing, names, ink],
  );
  if (sharing === undefined || option === undefined) return null;
  const alone = sharing.steps.findIndex((s) => s.firstA > 0 && s.secondA > 0);
  const first = sharing.steps[0];
  const leader = first === undefined || first.firstA >= first.secondA ? names[0] : names[1];
  const title = firstOf(
    [
      [alone === 0, 'Both feed from the start'],
      [alone === -1, `${leader} feeds; the other never does`],
    ],
    `${leader} feeds alone for ${formatNumber(60 * (sharing.steps[alone]?.hours ?? 0), 0)} min, then both`,
  );
  return (
    <ChartPanel
      title={title}
      note={`at ${formatNumber(study.watts, 0)} W, level`}
      summary={`Current of each pack over time. ${title}.`}
      name={`${document.name} two packs`}
      option={option}
      height="h-[250px]"
      table={{
        columns: [
          { name: 'Hours', digits: 2 },
          { name: `First, ${names[0]}, A`, digits: 1 },
          { name: `Second, ${names[1]}, A`, digits: 1 },
          { name: 'Bus, V', digits: 1 },
          { name: 'First, %' },
          { name: 'Second, %' },
        ],
        rows: sharing.steps
          .filter((_, i) => i % 5 === 0)
          .map((s) => [s.hours, s.firstA, s.secondA, s.volts, 100 * s.firstCharge, 100 * s.secondCharge]),
      }}
    />
  );
}

/** Each pack alone and both together, who feeds when, and whether they may be joined so. */
export function SecondView() {
  const { document, verdict } = useDeferredStage();
  const shown = useQuantity();
  const study = useMemo(() => twoPackStudy(document), [document]);
  if (study === undefined) {
    return (
      <>
        <PanelHead title="One pack" note="choose how a second one is joined, at the left" />
        <ul className="max-w-[60ch] leading-snug text-ink2">
          <li className="border-b border-hair py-2">
            <b className="text-ink">By a switch</b> any two packs may be carried: one feeds at a time.
          </li>
          <li className="border-b border-hair py-2">
            <b className="text-ink">Through ideal diodes</b> the pack with more volts feeds first, and both
            once they are level. The combiner has to stand the controller’s amps.
          </li>
          <li className="border-b border-hair py-2">
            <b className="text-ink">Directly</b> only packs with the same cells in series, charged alike to a
            tenth of a volt a cell. Otherwise one charges the other without a limit.
          </li>
        </ul>
      </>
    );
  }
  const checks = verdict.power.checks.filter((c) => c.group === 'second');
  const stopped = checks.some((c) => c.state === 'stop');
  const unit = { km: shown(1, 'km').unit, speed: shown(1, 'km/h').unit };
  const number = (value: number | undefined, from: 'km' | 'km/h', digits: number): string =>
    value === undefined ? 'not held' : shown(value, from, digits).text;
  const total = study.packs.reduce((sum, p) => sum + p.energyWh, 0);
  return (
    <>
      <section aria-label="Two packs" data-testid="two-packs">
        <PanelHead
          title={firstOf(
            [
              [stopped, 'Do not join these packs like this'],
              [study.rangeBothKm === undefined, 'The speed is not held'],
            ],
            `Both together: ${number(study.rangeBothKm, 'km', 0)} ${unit.km}`,
          )}
          note="at the brief’s speed, level, rider helping, to the cut-off"
        />
        <table className="w-full border-collapse text-[13.5px]">
          <thead>
            <tr className="border-b-[1.5px] border-ink text-[12.5px] [&>th]:py-1 [&>th]:text-right [&>th]:font-semibold">
              <th className="text-left!">Pack</th>
              <th>Full, V</th>
              <th>Wh</th>
              <th>Top, {unit.speed}</th>
              <th>Range, {unit.km}</th>
            </tr>
          </thead>
          <tbody>
            {study.packs.map((pack, i) => (
              <tr key={i} className="border-b border-hair [&>td]:py-1.5 [&>td]:text-right">
                <th scope="row" className="py-1.5 text-left font-normal">
                  {pack.name}
                </th>
                <td className="num">{formatNumber(pack.fullV, 1)}</td>
                <td className="num">{formatNumber(pack.energyWh, 0)}</td>
                <td className="num">{number(pack.topKmh, 'km/h', 1)}</td>
                <td className="num">{number(pack.rangeKm, 'km', 0)}</td>
              </tr>
            ))}
            <tr className="border-t border-b-[3px] border-double border-t-ink border-b-ink font-semibold [&>td]:py-1.5 [&>td]:text-right">
              <th scope="row" className="py-1.5 text-left font-semibold">
                Both
              </th>
              <td />
              <td className="num">{formatNumber(total, 0)}</td>
              <td />
              <td className="num">{stopped ? '–' : number(study.rangeBothKm, 'km', 0)}</td>
            </tr>
          </tbody>
        </table>
        {study.equalisingA > 0.5 && (
          <p className="flex items-start gap-2 py-2 text-[13px] text-ink2">
            {document.second.join === 'parallel' && !study.sameKind && <StateMark state="stop" />}
            <span>
              Joined directly as they stand, about <b>{formatNumber(study.equalisingA, 0)} A</b> would flow
              from one into the other: the difference of their resting volts over both resistances.
            </span>
          </p>
        )}
      </section>
      {!stopped && <Sharing study={study} />}
      <CheckTable checks={checks} title="Joining them" label="Checks of the second pack" />
    </>
  );
}
