import type { ReactNode } from 'react';
import {
  budgetState,
  CURRENCIES,
  currencySign,
  firstOf,
  mayBeChild,
  moneyText,
  worstState,
  type BuildDocument,
  type State,
} from '@apple-cart/core';
import { ChoiceField } from '../../fields/choice-field.tsx';
import { FieldGroup } from '../../fields/field-group.tsx';
import { BudgetField, LinePriceField, RestField } from '../../fields/money-field.tsx';
import { NumberField } from '../../fields/number-field.tsx';
import { PlaceField } from '../../fields/place-field.tsx';
import { TextField } from '../../fields/text-field.tsx';
import { useRoadRange, type RoadRange } from '../../state/road-range.ts';
import { figureText } from '../../state/figure-text.ts';
import { useBuild } from '../../state/build-store.ts';
import { withSection } from '../../state/paths.ts';
import { useSettings } from '../../state/settings-store.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { PanelHead } from '../../ui/panel.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { EnergyPanel } from '../parts/energy-panel.tsx';
import { MeasureNext } from '../parts/measure-next.tsx';
import { SearchLink } from '../parts/search-link.tsx';
import { Stage, StageFindings } from '../parts/stage.tsx';
import { figureOf, useStage, type StageData } from '../parts/use-stage.ts';

const CURRENCY_NAMES = new Intl.DisplayNames('en', { type: 'currency' });
const CURRENCY_OPTIONS = CURRENCIES.map((value) => ({
  value,
  label: CURRENCY_NAMES.of(value) ?? value,
  note: `${value}, ${currencySign(value).trim()}`,
})).sort((a, b) => a.label.localeCompare(b.label, 'en'));

const TRAILER_OPTIONS = [
  { value: 'none', label: 'none' },
  { value: 'one-wheel', label: 'on one wheel' },
  { value: 'child', label: 'for a child' },
  { value: 'box', label: 'a tall box' },
] as const;

interface Target {
  readonly name: string;
  readonly wanted: string;
  readonly gives: string;
  readonly note: string;
  readonly state: State;
  /** Not set is no target: it is neither met nor missed. */
  readonly isSet: boolean;
}

/** The road that was chosen counts as it does in the tray. */
const onRoad = (target: Target, road: RoadRange | undefined): Target =>
  road === undefined
    ? target
    : { ...target, note: road.words, state: worstState([target.state, road.state]) };

function useTargets({ document, verdict }: StageData): readonly Target[] {
  const system = useSettings((state) => state.units);
  const shown = useQuantity();
  const text = (value: number, unit: 'km/h' | '%' | 'km'): string => {
    const { text: number, unit: name } = shown(value, unit, unit === '%' ? 1 : 0);
    return `${number} ${name}`;
  };
  const { brief } = verdict.known;
  const road = useRoadRange((told) => told.range);
  const row = (
    id: 'class' | 'top-speed' | 'hill' | 'start' | 'range' | 'price',
    name: string,
    wanted: string,
  ): Target => {
    const figure = figureOf(verdict, id);
    const { value, unit, condition } = figureText(figure, system);
    return {
      name,
      wanted,
      gives: `${value} ${unit}`.trim(),
      note: condition,
      state: figure.state,
      isSet: true,
    };
  };
  const { money } = document;
  return [
    row('class', 'Legal class', 'no approval needed'),
    row('top-speed', 'Cruising speed', text(brief.cruiseSpeedKmh.value, 'km/h')),
    row('hill', 'Climbs the test hill', text(brief.hillGradePct.value, '%')),
    row('start', 'Starts on it', text(brief.hillGradePct.value, '%')),
    onRoad(row('range', 'Distance', text(brief.distanceKm.value, 'km')), road),
    money.budget === null
      ? { ...row('price', 'Budget', 'not set'), isSet: false }
      : {
          ...row('price', 'Budget', moneyText(money.budget, money.currency)),
          state: budgetState(verdict.list.ledger, money.budget),
        },
  ];
}

function Inputs({ document }: StageData): ReactNode {
  const edit = useBuild((state) => state.edit);
  const text = (key: 'name' | 'job' | 'summary', label: string, max: number) => (
    <TextField
      label={label}
      value={document[key]}
      max={max}
      onChange={(value) => {
        // A build without a name cannot be found again: the last letter stays until another is typed.
        if (key === 'name' && value.trim() === '') return;
        edit((d) => ({ ...d, [key]: value }), label.toLowerCase(), key);
      }}
    />
  );
  return (
    <>
      <FieldGroup title="The job">
        {text('name', 'Name', 80)}
        {text('job', 'Job number', 20)}
        {text('summary', 'In a few words', 200)}
        <TextField
          label="Use"
          value={document.brief.use}
          max={200}
          onChange={(use) => {
            edit((d) => withSection(d, 'brief', { use }), 'use', 'brief.use');
          }}
        />
      </FieldGroup>
      <FieldGroup title="Who and what rides">
        <NumberField path="brief.riderMassKg" />
        {mayBeChild(document) && <NumberField path="brief.riderAgeYears" label="Age of the youngest" />}
        <NumberField path="brief.loadMassKg" />
        <NumberField path="brief.riderPowerW" />
        <ChoiceField<BuildDocument['brief']['trailer']>
          label="Trailer"
          value={document.brief.trailer}
          options={TRAILER_OPTIONS}
          onChange={(trailer) => {
            edit((d) => withSection(d, 'brief', { trailer }), 'trailer');
          }}
        />
        {document.brief.trailer !== 'none' && (
          <>
            <NumberField path="brief.trailerKg" />
            <NumberField path="brief.trailerLoadKg" label="Load in it" />
            <NumberField path="brief.trailerCrr" label="Its rolling resistance" />
            <NumberField path="brief.trailerCdaM2" label="Its drag area" />
          </>
        )}
      </FieldGroup>
      <FieldGroup title="Where and how fast">
        <PlaceField label="Place, for the law" />
        <NumberField path="brief.cruiseSpeedKmh" label="Cruising speed" />
        <NumberField path="brief.distanceKm" />
        <NumberField path="brief.reservePct" />
      </FieldGroup>
      <FieldGroup title="The test hill">
        <TextField
          label="Its name"
          value={document.brief.hillName}
          max={80}
          onChange={(hillName) => {
            edit((d) => withSection(d, 'brief', { hillName }), 'name of the hill', 'brief.hillName');
          }}
        />
        <NumberField path="brief.hillLengthM" label="Length" />
        <NumberField path="brief.hillGradePct" label="Mean grade" />
      </FieldGroup>
      <FieldGroup title="Money">
        <ChoiceField
          label="Currency"
          value={document.money.currency}
          options={CURRENCY_OPTIONS}
          onChange={(currency) => {
            edit((d) => withSection(d, 'money', { currency }), 'currency');
          }}
        />
        <BudgetField />
        <LinePriceField line="donor" label="Donor" />
        <LinePriceField line="motor" label="Motor" />
        <LinePriceField line="pack" label="Pack" />
        <LinePriceField line="controller" label="Controller" />
        <RestField label="Everything else" />
      </FieldGroup>
      <StageFindings id="brief" />
    </>
  );
}

/** Targets, and what the build makes of them. */
export function BriefStage() {
  const data = useStage();
  const targets = useTargets(data);
  const set = targets.filter((t) => t.isSet);
  const count = (state: State): number => set.filter((t) => t.state === state).length;
  const [bad, open, close] = [count('stop'), count('unknown'), count('look')];
  const state: State = firstOf(
    [
      [bad > 0, 'stop'],
      [open > 0, 'unknown'],
      [close > 0, 'look'],
    ],
    'fine',
  );
  return (
    <Stage
      id="brief"
      stamp={{
        state,
        word: `${String(count('fine') + close)} of ${String(set.length)} met`,
        under: firstOf(
          [
            [bad > 0, `${String(bad)} missed`],
            [open > 0, `${String(open)} cannot be told yet`],
            [close > 0, `${String(close)} to look at`],
          ],
          'targets of the brief',
        ),
      }}
      inputs={<Inputs {...data} />}
      picture={
        <>
          <PanelHead title="Held against the brief" note="change any number; the build answers at once" />
          <table className="keep-together w-full border-collapse">
            <thead>
              <tr className="border-b-[1.5px] border-ink text-left text-[13px]">
                <th className="py-1.5 font-semibold">Target</th>
                <th className="py-1.5 font-semibold">Wanted</th>
                <th className="py-1.5 font-semibold">This build</th>
                <th className="py-1.5 font-semibold max-tablet:hidden">How</th>
              </tr>
            </thead>
            <tbody>
              {targets.map((target) => (
                <tr key={target.name} className="border-b border-hair">
                  <th scope="row" className="py-2 text-left font-normal">
                    <span className="flex items-center gap-2.5">
                      <StateMark state={target.state} size={15} />
                      {target.name}
                    </span>
                  </th>
                  <td className="py-2 text-ink2">{target.wanted}</td>
                  <td className="py-2">
                    <b className="figure-number text-[18px]">{target.gives}</b>
                    <span className="block text-[12px] text-ink2 tablet:hidden">{target.note}</span>
                  </td>
                  <td className="py-2 text-[13px] text-ink2 max-tablet:hidden">{target.note}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <SearchLink />
          <EnergyPanel />
          <MeasureNext count={5} />
        </>
      }
    />
  );
}
