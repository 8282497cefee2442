import {
  MOST_MONEY,
  WEARING,
  formatNumber,
  moneyText,
  phraseText,
  runningOf,
  type Running,
  type RunningLine,
  type Span,
  type Wearing,
} from '@apple-cart/core';
import { useMemo } from 'react';
import { CHOICE_ROW } from '../../fields/choice-field.tsx';
import { FieldGroup } from '../../fields/field-group.tsx';
import { PriceField } from '../../fields/price-field.tsx';
import { useBuild, useDocument } from '../../state/build-store.ts';
import { withSection } from '../../state/paths.ts';
import { useSettings } from '../../state/settings-store.ts';
import { useParts } from '../../state/shelf.ts';
import { useWay } from '../../state/use-quantity.ts';
import { NumberCell } from '../../ui/number-cell.tsx';
import { PanelHead } from '../../ui/panel.tsx';
import { useDeferredStage } from '../parts/use-stage.ts';

const WEAR_NAMES: Readonly<Record<Wearing, string>> = {
  chain: 'Chain',
  cogs: 'Cogs',
  tyres: 'Tyre, each',
  pads: 'Brake pads, a brake',
};
const LINE_NAMES: Readonly<Record<RunningLine['id'], string>> = {
  energy: 'Energy from the wall',
  pack: 'Wear of the pack',
  chain: 'Chain',
  cogs: 'Cogs',
  tyres: 'Tyres',
  pads: 'Brake pads',
};

function useRunning(): (changes: Partial<Running>, label: string, key?: string) => void {
  const edit = useBuild((state) => state.edit);
  return (changes, label, key) => {
    edit((d) => ({ ...d, running: { ...d.running, ...changes } }), label, key);
  };
}

/** One number of the owner's own. */
function Own({
  name,
  unit,
  field,
  scale = 1,
  placeholder,
}: {
  name: string;
  unit: string;
  scale?: number;
  field: 'kmPerYear' | 'insteadPerKm' | 'insteadPerMonth' | 'hourly' | 'packCycles';
  placeholder?: string;
}) {
  const { running } = useDocument();
  const change = useRunning();
  return (
    <div className={CHOICE_ROW}>
      <span className="py-0.5 pr-2 leading-[1.15]">
        {name} <span className="text-[12.5px] text-ink3">{unit}</span>
      </span>
      <NumberCell
        label={name}
        value={running[field]}
        most={MOST_MONEY}
        scale={scale}
        {...(placeholder === undefined ? {} : { placeholder })}
        onChange={(value) => {
          change(
            {
              [field]:
                value === null
                  ? null
                  : Math.min(value, field === 'kmPerYear' || field === 'packCycles' ? 1e6 : MOST_MONEY),
            },
            name.toLowerCase(),
            `running.${field}`,
          );
        }}
      />
    </div>
  );
}

export function RunningInputs() {
  const { running, money } = useDocument();
  const change = useRunning();
  const way = useWay();
  return (
    <>
      <FieldGroup title="Your own figures">
        <Own name={`${way.names} a year`} unit={way.word} scale={way.scale} field="kmPerYear" />
        <Own
          name={`Car or bus instead, a ${way.name}`}
          unit={money.currency}
          scale={1 / way.scale}
          field="insteadPerKm"
        />
        <Own name="or a month" unit={money.currency} field="insteadPerMonth" />
        <Own name="An hour of your work counts" unit={money.currency} field="hourly" placeholder="nothing" />
        <PriceField
          label="A kilowatt-hour"
          field="money.pricePerKwh"
          value={money.pricePerKwh}
          currency={money.currency}
          most={MOST_MONEY}
          change={(d, pricePerKwh) => withSection(d, 'money', { pricePerKwh })}
        />
      </FieldGroup>
      <FieldGroup title="What wears" note="empty is the usual">
        <div className="grid grid-cols-[minmax(0,1fr)_84px_84px] gap-x-2 text-right text-[12px] text-ink2">
          <span />
          <span>price</span>
          <span>lasts, {way.word}</span>
        </div>
        {WEARING.map((what) => (
          <div
            key={what}
            className="grid min-h-[30px] grid-cols-[minmax(0,1fr)_84px_84px] items-center gap-x-2 border-b border-hair"
          >
            <span>{WEAR_NAMES[what]}</span>
            {(['price', 'km'] as const).map((part) => (
              <NumberCell
                key={part}
                label={`${WEAR_NAMES[what]}: ${part === 'km' ? `${way.names.toLowerCase()} that it lasts` : 'price'}`}
                scale={part === 'km' ? way.scale : 1}
                value={running[what][part]}
                most={part === 'km' ? 1e6 : MOST_MONEY}
                placeholder={part === 'km' ? 'usual' : 'shelf'}
                onChange={(value) => {
                  change(
                    { [what]: { ...running[what], [part]: value } },
                    WEAR_NAMES[what].toLowerCase(),
                    `running.${what}.${part}`,
                  );
                }}
              />
            ))}
          </div>
        ))}
        <Own name="Full cycles of the pack to 80 %" unit="" field="packCycles" placeholder="usual" />
      </FieldGroup>
    </>
  );
}

/** Two ends of a span, in the smallest coin where they are small. */
function useSpan(currency: string): (span: Span, digits?: number) => string {
  return ({ least, most }, digits = 2) => {
    const [from, to] = [moneyText(least, currency, digits), moneyText(most, currency, digits)];
    return from === to ? from : `${from} to ${to}`;
  };
}

const monthsText = ({ least, most }: Span): string => {
  const round = (m: number): string => formatNumber(Math.ceil(m), 0);
  if (most === Infinity) return `${round(least)} months at the earliest`;
  return round(least) === round(most) ? `${round(least)} months` : `${round(least)} to ${round(most)} months`;
};

export function RunningPicture() {
  const { document, verdict } = useDeferredStage();
  const shelf = useParts();
  const { costs, back, hours, spent } = useMemo(() => runningOf(verdict, shelf), [verdict, shelf]);
  const { currency } = document.money;
  const span = useSpan(currency);
  const way = useWay();
  const system = useSettings((state) => state.units);
  const per100 = (s: Span): Span => ({
    least: (100 * s.least) / way.scale,
    most: (100 * s.most) / way.scale,
  });
  const missing = costs.lines.filter((l) => l.perKm === undefined);
  return (
    <section aria-label="Costs to run">
      <PanelHead
        title={`${missing.length === costs.lines.length ? '?' : span(per100(costs.perKm))} for a hundred ${way.names.toLowerCase()}`}
        note={
          missing.length === 0
            ? undefined
            : `without ${missing.map((l) => LINE_NAMES[l.id].toLowerCase()).join(', ')}`
        }
      />
      <table className="w-full border-collapse text-[14px]" data-testid="running-costs">
        <thead>
          <tr className="border-b-[1.5px] border-ink text-[12.5px]">
            <th className="py-1 text-left font-semibold">What it costs</th>
            <th className="py-1 text-right font-semibold">for 100 {way.word}</th>
          </tr>
        </thead>
        <tbody>
          {costs.lines.map((line) => (
            <tr key={line.id} className="border-b border-hair align-top">
              <th scope="row" className="py-1.5 pr-2 text-left font-normal">
                {LINE_NAMES[line.id]}
                <span className="block text-[12px] text-ink2">{phraseText(line.how, system)}</span>
              </th>
              <td
                className={`num py-1.5 text-right whitespace-nowrap ${line.perKm === undefined ? 'text-slate' : ''}`}
              >
                {line.perKm === undefined ? '?' : span(per100(line.perKm))}
                {line.perKm === undefined && (
                  <span className="block font-text text-[12px]">{line.missing} not known</span>
                )}
              </td>
            </tr>
          ))}
          <tr className="border-t border-b-[3px] border-double border-ink font-semibold">
            <th scope="row" className="py-1.5 text-left">
              Together
            </th>
            <td className="num py-1.5 text-right">
              {span(per100(costs.perKm))}
              {missing.length > 0 ? ' and more' : ''}
            </td>
          </tr>
        </tbody>
      </table>
      <h2 className="head border-b-[1.5px] border-ink pt-4 pb-1 text-[14px]">Paid for itself</h2>
      <p className="border-b border-hair py-1.5 leading-snug" data-testid="paid-back">
        {back.kind === 'unknown' && `Cannot tell: ${back.missing} is not known.`}
        {back.kind === 'never' && 'Never by these figures: what it stands for costs no more than riding it.'}
        {back.kind === 'after' && (
          <>
            After <b className="font-semibold">{monthsText(back.months)}</b>: {span(spent, 0)}
            {verdict.list.ledger.noIdea > 0 ? ' and more (prices are missing)' : ''} spent
            {document.running.hourly === null
              ? ''
              : `, ${formatNumber(hours, 0)} hours of work among them`},{' '}
            {span(back.savedPerMonth, 0)} saved a month
            {missing.length > 0 ? '; what is not known makes it longer' : ''}.
          </>
        )}
      </p>
      <p className="pt-2 text-[12.5px] text-ink2">
        The energy is that of the brief’s speed on the level, with the rider helping to legs resting. Cycles
        to 80 % are from memory for the chemistry and the habit of charging: the cell’s data sheet wins. Lives
        of chain, cogs, tyres and pads are common practice; a mid-drive wears chain and cogs sooner.
      </p>
    </section>
  );
}
