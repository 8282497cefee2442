import { Printer } from 'lucide-react';
import { useMemo } from 'react';
import { Link, useParams } from 'react-router';
import {
  firstOf,
  chargePlan,
  formatNumber,
  likesFull,
  moneyText,
  packCard,
  readings,
  type ChargeOutcome,
} from '@apple-cart/core';
import { ChartPanel } from '../../charts/chart-panel.tsx';
import { chargeChart, type ChargeShown } from '../../charts/charge-chart.ts';
import { useChartInk } from '../../charts/use-chart-ink.ts';
import { PlainRow } from '../../fields/choice-field.tsx';
import { FieldGroup } from '../../fields/field-group.tsx';
import { NumberField } from '../../fields/number-field.tsx';
import { PriceField } from '../../fields/price-field.tsx';
import { withSection } from '../../state/paths.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { PanelHead } from '../../ui/panel.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { NameField } from '../parts/name-field.tsx';
import { ShelfMenu } from '../parts/shelf-menu.tsx';
import { usePack } from '../parts/use-pack.ts';
import { useDeferredStage, useStage } from '../parts/use-stage.ts';
import { CardTable } from './card-table.tsx';
import { PackTabs } from './pack-tabs.tsx';

export function ChargeFields() {
  const { document } = useStage();
  const { index, at, pack } = usePack(document);
  return (
    <>
      {document.packs.length > 1 && <PackTabs document={document} />}
      <FieldGroup title="Charger">
        <NameField section={`${at}.charger`} label="Which charger" />
        <PlainRow label="Copy a charger">
          <ShelfMenu type="charger" packIndex={index} />
        </PlainRow>
        <NumberField path={`${at}.charger.volts`} label="Ends at" />
        <NumberField path={`${at}.charger.currentA`} label="Amps" />
        <NumberField path={`${at}.charger.efficiencyPct`} label="Efficiency" />
        <PriceField
          label="Price of a kilowatt-hour"
          field="money.pricePerKwh"
          value={document.money.pricePerKwh}
          currency={document.money.currency}
          most={100}
          change={(d, pricePerKwh) => withSection(d, 'money', { pricePerKwh })}
        />
      </FieldGroup>
      <FieldGroup title="Pack">
        <NumberField path={`${at}.chargeLimitPct`} />
        {pack.make === 'ready' && <NumberField path={`${at}.maxChargeA`} />}
        {!document.drive.freewheel && document.controller.regenerates === 'yes' && (
          <NumberField path="controller.regenA" />
        )}
      </FieldGroup>
    </>
  );
}

/** Hours as one reads them off a clock. */
const clockText = (hours: number): string => {
  const minutes = Math.round(hours * 60);
  return `${String(Math.floor(minutes / 60))} h ${String(minutes % 60).padStart(2, '0')}`;
};

const hoursText = (run: ChargeOutcome): string => {
  if (!run.arrives)
    return run.endsAt === undefined ? 'not with this' : `ends at ${(100 * run.endsAt).toFixed(0)} %`;
  return clockText(run.hours);
};

function Habits() {
  const { document } = useDeferredStage();
  const { index, pack } = usePack(document);
  const shown = useQuantity();
  const plan = useMemo(() => chargePlan(document, index), [document, index]);
  const unit = shown(1, 'km').unit;
  const km = (value: number): string => shown(value, 'km', 0).text;
  const full = likesFull(pack.chemistry);
  return (
    <section aria-label="Habits of charging" className="keep-together pt-2" data-testid="habits">
      <PanelHead
        title={
          full ? 'Lead-acid lives longest when it is always full' : 'Less of the pack, and it lasts longer'
        }
        note={`${plan.holds ? 'at the brief’s speed' : 'slower than the brief’s speed, which is not held'}; no reserve kept`}
      />
      <table className="w-full border-collapse text-[13.5px]">
        <thead>
          <tr className="border-b-[1.5px] border-ink text-[12.5px] [&>th]:py-1 [&>th]:text-right [&>th]:font-semibold">
            <th className="text-left!">Habit</th>
            <th>Range, {unit}</th>
            <th>On the charger</th>
            <th>Costs</th>
            <th className="pl-4 text-left!">Life</th>
          </tr>
        </thead>
        <tbody>
          {plan.habits.map((habit) => (
            <tr key={habit.id} className="border-b border-hair [&>td]:py-1.5 [&>td]:text-right">
              <th scope="row" className="py-1.5 text-left font-normal">
                {habit.name}
              </th>
              <td className="num">
                {habit.km === undefined ? 'none' : `${km(habit.km.low)}–${km(habit.km.high)}`}
              </td>
              <td className="num">{hoursText(habit.run)}</td>
              <td className="num">
                {habit.cost === undefined ? '–' : moneyText(habit.cost, document.money.currency, 2)}
              </td>
              <td className="pl-4 text-left! text-[12.5px] text-ink2">
                {firstOf(
                  [
                    [full && habit.id === 'full', 'charge after every ride'],
                    [full, 'sulphates when left so'],
                  ],
                  habit.life,
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="py-1.5 text-[12.5px] text-ink2">
        Life: common practice, no source; the cell maker’s data sheet decides. The last percent are an
        estimate.
      </p>
    </section>
  );
}

const runTitle = (run: ChargeShown, to85: ChargeOutcome): string =>
  run.arrives
    ? `Full in ${hoursText(run)}, 85 % in ${hoursText(to85)}`
    : `The charger ends at ${(100 * run.endsAt).toFixed(0)} %, after ${clockText(run.hours)}`;

function RunChart({ run, to85 }: { run: ChargeShown; to85: ChargeOutcome }) {
  const { document, verdict } = useDeferredStage();
  const { index } = usePack(document);
  const ink = useChartInk();
  const option = useMemo(() => chargeChart(run, to85, ink), [run, to85, ink]);
  const title = runTitle(run, to85);
  const usual = useQuantity()(20, 'C');
  const unknown = verdict.known.packs[index]?.charger.volts.source === 'unknown';
  return (
    <ChartPanel
      title={title}
      note={unknown ? 'with a charger of the pack’s volts' : `from empty, at ${usual.text} ${usual.unit}`}
      summary={`Amps and state of charge over the hours of a charge. ${title}.`}
      name={`${document.name} charge`}
      option={option}
      height="h-[210px]"
      table={{
        columns: [
          { name: 'Hours', digits: 2 },
          { name: 'Charge, %' },
          { name: 'Current, A', digits: 2 },
          { name: 'Volts, V', digits: 1 },
        ],
        rows: run.steps.filter((_, i) => i % 10 === 0).map((s) => [s.hours, 100 * s.charge, s.amps, s.volts]),
      }}
    />
  );
}

function RunPanel() {
  const { document } = useDeferredStage();
  const { index } = usePack(document);
  const { run, to85 } = useMemo(() => chargePlan(document, index), [document, index]);
  if (run.arrives || run.endsAt !== undefined) return <RunChart run={run} to85={to85} />;
  return (
    <section aria-label="The charge">
      <PanelHead title="This charger overcharges the pack" note="not to be used" />
      <p className="flex items-start gap-2.5 py-2 leading-snug">
        <StateMark state="stop" size={16} labelled={false} />
        It goes on where the cells are full, and that can set them on fire. No hours and no costs are told for
        it: take the charger made for this pack.
      </p>
    </section>
  );
}

function voltsOf({ by, lowV, highV }: ReturnType<typeof readings>[number]): string {
  if (by === 'nothing') return '?';
  return highV < 1 ? '0' : `${formatNumber(lowV, 1)} to ${formatNumber(highV, 1)}`;
}

function Meter() {
  const { document } = useDeferredStage();
  return (
    <section aria-label="What the meter should show" className="keep-together pt-2" data-testid="readings">
      <PanelHead title="What the meter should show" note="before anything is joined" />
      <table className="w-full border-collapse text-[13.5px]">
        <tbody>
          {readings(document).map((r) => (
            <tr key={r.where} className="border-b border-hair">
              <th scope="row" className="py-1 text-left font-normal">
                {r.where}
                {r.by === 'label' && (
                  <span className="pl-2 text-ink2">by its label; nobody has counted the cells</span>
                )}
              </th>
              <td className="num py-1 text-right">
                {voltsOf(r)}
                <span className="pl-1 font-text text-[12.5px] text-ink3">V</span>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

/** Charging: how long and what it costs, habits, the pocket card, and what the meter should show. */
export function ChargeView() {
  const { document } = useDeferredStage();
  const { id } = useParams();
  const { index } = usePack(document);
  const card = useMemo(() => packCard(document, index), [document, index]);
  return (
    <>
      <RunPanel />
      <Habits />
      <section aria-label="Pocket card" className="pt-2">
        <PanelHead title="Charge by resting volts" note="half an hour after the ride">
          <Link
            to={`/builds/${id ?? ''}/charge-card${index === 0 ? '' : `?pack=${String(index + 1)}`}`}
            className="inline-flex h-7 items-center gap-2 border-[1.5px] border-rule px-3 text-[13px] text-ink2 hover:bg-press max-bench:h-11"
          >
            <Printer size={14} strokeWidth={1.6} aria-hidden /> Pocket card
          </Link>
        </PanelHead>
        <CardTable card={card} />
      </section>
      <Meter />
    </>
  );
}
