import { useMemo } from 'react';
import { ArrowUp, X } from 'lucide-react';
import { Link } from 'react-router';
import {
  firstOf,
  formatNumber,
  packsStudy,
  withPackEarlier,
  withoutPack,
  type BuildDocument,
  type JoinHow,
} from '@apple-cart/core';
import { ChartPanel } from '../../charts/chart-panel.tsx';
import { shareChart } from '../../charts/share-chart.ts';
import { useChartInk } from '../../charts/use-chart-ink.ts';
import { AnswerField, ChoiceField } from '../../fields/choice-field.tsx';
import { FieldGroup } from '../../fields/field-group.tsx';
import { NumberField } from '../../fields/number-field.tsx';
import { useBuild } from '../../state/build-store.ts';
import { withSection } from '../../state/paths.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { PanelHead } from '../../ui/panel.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { CheckTable } from '../parts/check-table.tsx';
import { useDeferredStage, useStage } from '../parts/use-stage.ts';
import { AddPack, packName } from './pack-tabs.tsx';

const JOINS: readonly { readonly value: JoinHow; readonly label: string; readonly note?: string }[] = [
  { value: 'switch', label: 'by a switch', note: 'one at a time: any packs' },
  { value: 'combiner', label: 'through diodes', note: 'the highest feeds first' },
  { value: 'parallel', label: 'directly in parallel', note: 'only packs of one kind, equally charged' },
];

const QUIET = 'grid size-7 place-items-center text-ink2 hover:bg-press disabled:opacity-40 max-bench:size-11';

/** The packs in the order of use: each leads to its fields, moves up, or goes. */
function PackList({ document }: { document: BuildDocument }) {
  const edit = useBuild((state) => state.edit);
  const { packs } = document;
  return (
    <ol data-testid="pack-list">
      {packs.map((pack, i) => (
        <li key={i} className="flex min-h-8 items-center gap-1 border-b border-hair max-bench:min-h-11">
          <Link
            to={i === 0 ? '?view=pack' : `?view=pack&pack=${String(i + 1)}`}
            className="flex min-w-0 flex-1 items-center truncate underline max-bench:min-h-11"
          >
            {String(i + 1)}. {packName(pack, i)}
          </Link>
          <button
            type="button"
            className={QUIET}
            disabled={i === 0}
            aria-label={`Use ${packName(pack, i)} earlier`}
            onClick={() => {
              edit((d) => withPackEarlier(d, i), 'order of the packs');
            }}
          >
            <ArrowUp size={15} strokeWidth={1.6} aria-hidden />
          </button>
          <button
            type="button"
            className={QUIET}
            disabled={packs.length === 1}
            aria-label={`Take ${packName(pack, i)} off the build`}
            onClick={() => {
              edit((d) => withoutPack(d, i), 'pack taken off');
            }}
          >
            <X size={15} strokeWidth={1.6} aria-hidden />
          </button>
        </li>
      ))}
    </ol>
  );
}

export function PacksFields() {
  const { document } = useStage();
  const edit = useBuild((state) => state.edit);
  const { how } = document.joining;
  return (
    <FieldGroup title="Packs, in the order of use">
      <PackList document={document} />
      <div className="pt-1.5">
        <AddPack document={document} />
      </div>
      {document.packs.length > 1 && (
        <>
          <ChoiceField
            label="Joined"
            value={how}
            options={JOINS}
            onChange={(next) => {
              edit((d) => withSection(d, 'joining', { how: next }), 'how packs are joined');
            }}
          />
          <AnswerField
            label="A fuse at each pack"
            value={document.joining.branchFuses}
            onChange={(branchFuses) => {
              edit((d) => withSection(d, 'joining', { branchFuses }), 'fuse at each pack');
            }}
          />
          {how !== 'parallel' && <NumberField path="joining.ratedA" />}
          {how === 'combiner' && <NumberField path="joining.diodeDropV" />}
        </>
      )}
    </FieldGroup>
  );
}

type Study = NonNullable<ReturnType<typeof packsStudy>>;

/** How many packs feed at a step. */
const feeding = ({ amps }: { readonly amps: readonly number[] }): number => amps.filter((a) => a > 0).length;

function sharingTitle({ sharing, packs }: Study): string {
  const steps = sharing?.steps ?? [];
  const first = steps[0];
  const all = steps.findIndex((s) => feeding(s) === packs.length);
  const leads = first === undefined ? 0 : first.amps.indexOf(Math.max(...first.amps));
  const leader = packs[leads]?.name ?? '';
  return firstOf(
    [
      [all === 0, packs.length === 2 ? 'Both feed from the start' : 'All feed from the start'],
      [
        all === -1,
        packs.length === 2 ? `${leader} feeds; the other never does` : `${leader} feeds first; never all`,
      ],
    ],
    `${leader} feeds first; after ${formatNumber(60 * (steps[all]?.hours ?? 0), 0)} min ${packs.length === 2 ? 'both' : 'all'} do`,
  );
}

function Sharing({ study }: { study: Study }) {
  const { document } = useDeferredStage();
  const ink = useChartInk();
  const names = useMemo(() => study.packs.map((pack) => pack.name), [study]);
  const { sharing } = study;
  const option = useMemo(
    () => (sharing === undefined ? undefined : shareChart(sharing, names, ink)),
    [sharing, names, ink],
  );
  if (sharing === undefined || option === undefined) return null;
  const title = sharingTitle(study);
  return (
    <ChartPanel
      title={title}
      note={`at ${formatNumber(study.watts, 0)} W, level`}
      summary={`Current of each pack over time. ${title}.`}
      name={`${document.name} packs`}
      option={option}
      height="h-[250px]"
      table={{
        columns: [
          { name: 'Hours', digits: 2 },
          { name: 'Bus, V', digits: 1 },
          ...names.map((name) => ({ name: `${name}, A`, digits: 1 })),
          ...names.map((name) => ({ name: `${name}, %` })),
        ],
        rows: sharing.steps
          .filter((_, i) => i % 5 === 0)
          .map((s) => [s.hours, s.volts, ...s.amps, ...s.charges.map((charge) => 100 * charge)]),
      }}
    />
  );
}

/** Each pack alone and all together, who feeds when, and whether they may be joined so. */
export function PacksView() {
  const { document, verdict } = useDeferredStage();
  const shown = useQuantity();
  const study = useMemo(() => packsStudy(document), [document]);
  if (study === undefined) {
    return (
      <>
        <PanelHead title="One pack" note="add another at the left" />
        <ul className="max-w-[60ch] leading-snug text-ink2">
          <li className="border-b border-hair py-2">
            <b className="text-ink">By a switch</b> any packs may be carried: one feeds at a time.
          </li>
          <li className="border-b border-hair py-2">
            <b className="text-ink">Through diodes</b> the pack with more volts feeds first, and all once they
            are level. The combiner has to stand the controller’s amps.
          </li>
          <li className="border-b border-hair py-2">
            <b className="text-ink">Directly</b> only packs with the same cells in series, charged alike to a
            tenth of a volt a cell. Otherwise one charges the other without a limit.
          </li>
        </ul>
      </>
    );
  }
  const checks = verdict.power.checks.filter((c) => c.group === 'joining');
  const stopped = checks.some((c) => c.state === 'stop');
  const unit = { km: shown(1, 'km').unit, speed: shown(1, 'km/h').unit };
  const number = (value: number | undefined, from: 'km' | 'km/h', digits: number): string =>
    value === undefined ? 'not held' : shown(value, from, digits).text;
  const then = (km: number): string => (km < 0.5 ? '–' : `+ ${shown(km, 'km', 0).text}`);
  const total = study.packs.reduce((sum, p) => sum + p.energyWh, 0);
  return (
    <>
      <section aria-label="Packs" data-testid="packs-study">
        <PanelHead
          title={firstOf(
            [
              [stopped, 'Do not join these packs like this'],
              [
                study.rangeTogetherKm === undefined,
                `Slower than wanted, ${shown(study.thenTogetherKm, 'km', 0).text} ${unit.km} in all`,
              ],
            ],
            `${document.packs.length === 2 ? 'Both' : 'All'} together: ${number(study.rangeTogetherKm, 'km', 0)} ${unit.km}`,
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
              <th>then slower</th>
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
                <td className="num">{then(pack.thenKm)}</td>
              </tr>
            ))}
            <tr className="border-t border-b-[3px] border-double border-t-ink border-b-ink font-semibold [&>td]:py-1.5 [&>td]:text-right">
              <th scope="row" className="py-1.5 text-left font-semibold">
                Together
              </th>
              <td />
              <td className="num">{formatNumber(total, 0)}</td>
              <td />
              <td className="num">{stopped ? '–' : number(study.rangeTogetherKm, 'km', 0)}</td>
              <td className="num">{stopped ? '–' : then(study.thenTogetherKm)}</td>
            </tr>
          </tbody>
        </table>
        {study.equalisingA > 0.5 && (
          <p className="flex items-start gap-2 py-2 text-[13px] text-ink2">
            {document.joining.how === 'parallel' && !study.sameKind && <StateMark state="stop" />}
            <span>
              Joined directly as they stand, about <b>{formatNumber(study.equalisingA, 0)} A</b> would flow
              from one into the other: the difference of their resting volts over both resistances.
            </span>
          </p>
        )}
      </section>
      {!stopped && <Sharing study={study} />}
      <CheckTable checks={checks} title="Joining them" label="Checks of joining" />
    </>
  );
}
