import {
  FEATURES,
  FEATURE_NAMES,
  MORE_READY,
  MOST_MONEY,
  firstOf,
  formatNumber,
  moneyText,
  worthOf,
  type Feature,
  type Span,
  type Unit,
  type WorthRow,
} from '@apple-cart/core';
import { useMemo } from 'react';
import { CHOICE_ROW } from '../../fields/choice-field.tsx';
import { FieldGroup, FoldedGroup } from '../../fields/field-group.tsx';
import { TextField } from '../../fields/text-field.tsx';
import { useBuild, useDocument } from '../../state/build-store.ts';
import { useQuantity, useUnit, useWay } from '../../state/use-quantity.ts';
import { Button } from '../../ui/button.tsx';
import { NumberCell } from '../../ui/number-cell.tsx';
import { PanelHead } from '../../ui/panel.tsx';
import { leafletName, useLeaflets } from '../parts/leaflets.ts';
import { useDeferredStage } from '../parts/use-stage.ts';

type Figure = 'price' | 'energyWh' | 'packV' | 'motorW' | 'torqueNm' | 'massKg' | 'rangeKm';
const FIELDS: readonly (readonly [Figure, string, Unit | 'money'])[] = [
  ['price', 'Price', 'money'],
  ['energyWh', 'Energy of its pack', 'Wh'],
  ['packV', 'Volts of its pack', 'V'],
  ['motorW', 'Motor, rated', 'W'],
  ['torqueNm', 'Torque', 'N m'],
  ['massKg', 'Mass', 'kg'],
  ['rangeKm', 'Range, as told', 'km'],
];

/** Which of the leaflets is typed and compared. */
function Leaflets() {
  const { all, index, look, add, takeOut } = useLeaflets();
  return (
    <div className="flex flex-wrap gap-1.5 py-1.5" role="group" aria-label="Leaflets">
      {all.length > 1 &&
        all.map((one, i) => (
          <button
            key={i}
            type="button"
            aria-pressed={i === index}
            className={`min-h-8 border-[1.5px] px-2.5 text-[13px] max-bench:min-h-11 ${i === index ? 'border-ink bg-field font-semibold' : 'border-rule text-ink2 hover:bg-press'}`}
            onClick={() => {
              look(i);
            }}
          >
            {leafletName(one, i)}
          </button>
        ))}
      {all.length <= MORE_READY && (
        <Button kind="quiet" onClick={add}>
          Another leaflet
        </Button>
      )}
      {index > 0 && (
        <Button kind="quiet" onClick={takeOut}>
          Take this one out
        </Button>
      )}
    </div>
  );
}

/** Ticks of one side; what the document says itself of this build is ticked and stays. */
function Ticks({ which, fixed = [] }: { which: 'features' | 'own'; fixed?: readonly Feature[] }) {
  const { ready, change } = useLeaflets();
  const { readyMade } = useDocument();
  const edit = useBuild((state) => state.edit);
  const list = which === 'own' ? readyMade.own : ready.features;
  return (
    <div className="py-1">
      {FEATURES.map((feature) => (
        <label key={feature} className="flex min-h-7 items-center gap-2 text-[13px] max-bench:min-h-11">
          <input
            type="checkbox"
            className="size-4 accent-ink"
            checked={list.includes(feature) || fixed.includes(feature)}
            disabled={fixed.includes(feature)}
            onChange={(event) => {
              const next = event.target.checked ? [...list, feature] : list.filter((f) => f !== feature);
              if (which === 'features') change({ features: next }, 'features');
              // What this build has is one list, whichever leaflet lies beside it.
              else edit((d) => ({ ...d, readyMade: { ...d.readyMade, own: next } }), 'features');
            }}
          />
          {FEATURE_NAMES[feature]}
          {fixed.includes(feature) && <span className="text-[12px] text-ink2">by the build</span>}
        </label>
      ))}
    </div>
  );
}

/** A figure of the leaflet, typed in the reader's units. */
function LeafletFigure({
  name,
  label,
  unit,
}: {
  readonly name: Figure;
  readonly label: string;
  readonly unit: Unit | 'money';
}) {
  const { money } = useDocument();
  const { ready, change } = useLeaflets();
  const { word, scale } = useUnit(unit === 'money' ? '1' : unit);
  return (
    <div className={CHOICE_ROW}>
      <span className="py-0.5 pr-2 leading-[1.15]">
        {label} <span className="text-[12.5px] text-ink3">{unit === 'money' ? money.currency : word}</span>
      </span>
      <NumberCell
        label={`Ready-made: ${label}`}
        value={ready[name]}
        scale={scale}
        most={unit === 'money' ? MOST_MONEY : 1e6}
        onChange={(value) => {
          change({ [name]: value }, label.toLowerCase(), `readyMade.${name}`);
        }}
      />
    </div>
  );
}

/** What the label of the ready-made one says. */
export function ReadyInputs() {
  const { readyMade, money, running } = useDocument();
  const { ready, change } = useLeaflets();
  const edit = useBuild((state) => state.edit);
  const { verdict } = useDeferredStage();
  const own = useMemo(() => worthOf(verdict), [verdict]);
  const fixed = [...own.ownHas, ...own.both].filter((f) => !readyMade.own.includes(f));
  return (
    <>
      <FieldGroup title="The ready-made one" note="type what its label says">
        <Leaflets />
        <TextField
          label="Called"
          value={ready.name}
          max={60}
          placeholder="any name"
          onChange={(name) => {
            change({ name }, 'name', 'readyMade.name');
          }}
        />
        {FIELDS.map(([key, label, unit]) => (
          <LeafletFigure key={key} name={key} label={label} unit={unit} />
        ))}
        <TextField
          label="Its class"
          value={ready.className}
          max={60}
          onChange={(className) => {
            change({ className }, 'class', 'readyMade.className');
          }}
        />
      </FieldGroup>
      <FoldedGroup title="What it has" note={`${String(ready.features.length)} ticked`}>
        <Ticks which="features" />
      </FoldedGroup>
      <FoldedGroup title="What this build has" note={`${String(fixed.length + readyMade.own.length)} ticked`}>
        <Ticks which="own" fixed={fixed} />
      </FoldedGroup>
      <FieldGroup title="Your own hours">
        <div className={CHOICE_ROW}>
          <span className="py-0.5 pr-2 leading-[1.15]">
            An hour counts <span className="text-[12.5px] text-ink3">{money.currency}</span>
          </span>
          <NumberCell
            label="What an hour of your work counts"
            value={running.hourly}
            most={MOST_MONEY}
            placeholder="nothing"
            onChange={(hourly) => {
              edit((d) => ({ ...d, running: { ...d.running, hourly } }), 'own hours', 'running.hourly');
            }}
          />
        </div>
      </FieldGroup>
    </>
  );
}

/** Which side a row speaks for; undefined where it cannot be told, or both ends overlap. */
function better({ ready, own, less }: WorthRow): 'ready' | 'own' | undefined {
  if (ready === null || own === null) return undefined;
  const below = (a: Span, b: Span): boolean => a.most < b.least;
  if (below(ready, own)) return less ? 'ready' : 'own';
  if (below(own, ready)) return less ? 'own' : 'ready';
  return undefined;
}

/** Both side by side; the last rows are what a watt-hour and a kilometre of range cost. */
export function ReadyPicture() {
  const { document, verdict } = useDeferredStage();
  const { ready, index, all } = useLeaflets();
  const shown = useQuantity();
  const told = useMemo(() => worthOf(verdict, ready), [verdict, ready]);
  const { currency } = document.money;
  const way = useWay();
  const digits = (row: WorthRow): number => (row.id === 'perWh' || row.id === 'perKm' ? 2 : 0);
  const text = (span: Span | null, row: WorthRow): string => {
    if (span === null) return '?';
    const one = (value: number): string => {
      if (row.unit === 'money')
        return moneyText(row.id === 'perKm' ? value / way.scale : value, currency, digits(row));
      const { text: number, unit } = shown(value, row.unit, row.unit === 'kg' ? 1 : 0);
      return `${number} ${unit}`;
    };
    return formatNumber(span.least, 3) === formatNumber(span.most, 3)
      ? one(span.least)
      : `${one(span.least)} to ${one(span.most)}`;
  };
  const perWh = told.rows.find((r) => r.id === 'perWh');
  const side = perWh === undefined ? undefined : better(perWh);
  const title = firstOf(
    [
      [side === 'own', 'A watt-hour of this build is cheaper'],
      [side === 'ready', 'A watt-hour of the ready-made one is cheaper'],
    ],
    'Cannot tell which watt-hour is cheaper',
  );
  return (
    <section aria-label="Against a ready-made one">
      <PanelHead
        title={title}
        note={verdict.list.ledger.noIdea > 0 ? 'prices are missing: it costs more than this' : undefined}
      />
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Side by side">
        <table className="w-full min-w-[430px] border-collapse text-[14px]" data-testid="ready-made">
          <thead>
            <tr className="border-b-[1.5px] border-ink text-right text-[12.5px]">
              <td />
              <th className="py-1 font-semibold">
                {all.length === 1 && ready.name === '' ? 'Ready-made' : leafletName(ready, index)}
              </th>
              <th className="py-1 pl-3 font-semibold">This build</th>
            </tr>
          </thead>
          <tbody>
            {told.rows.map((row) => (
              <tr
                key={row.id}
                className={
                  row.id.startsWith('per')
                    ? 'border-t border-b-[3px] border-double border-ink font-semibold'
                    : 'border-b border-hair'
                }
              >
                <th scope="row" className="py-1.5 pr-2 text-left font-normal">
                  {row.id === 'perKm' ? `A ${way.name} of range` : row.label}
                </th>
                {(['ready', 'own'] as const).map((which) => (
                  <td
                    key={which}
                    className={`num py-1.5 pl-3 text-right ${row[which] === null ? 'text-slate' : ''} ${better(row) === which ? 'font-semibold' : ''}`}
                  >
                    {text(row[which], row)}
                  </td>
                ))}
              </tr>
            ))}
            <tr className="border-b border-hair">
              <th scope="row" className="py-1.5 pr-2 text-left font-normal">
                Class
              </th>
              <td className="py-1.5 pl-3 text-right">{ready.className === '' ? '?' : ready.className}</td>
              <td className="py-1.5 pl-3 text-right">
                {verdict.figures.find((f) => f.id === 'class')?.words ?? '?'}
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      {(
        [
          ['It has, and this build has not', told.readyHas],
          ['This build has, and it has not', told.ownHas],
          ['Both have', told.both],
        ] as const
      ).map(([name, list]) => (
        <p key={name} className="border-b border-hair py-1.5 leading-snug">
          <b className="font-semibold">{name}:</b>{' '}
          {list.length === 0 ? 'nothing ticked' : list.map((f) => FEATURE_NAMES[f]).join(', ')}.
        </p>
      ))}
      <p className="pt-2 text-[12.5px] text-ink2">
        Tools are not counted. A range on a label is ridden as its maker chose; this build’s is what may be
        planned on. Warranty of the donor may end with the conversion, and subsidies rarely count a machine
        that is built at home.
      </p>
    </section>
  );
}
