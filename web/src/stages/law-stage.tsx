import {
  convert,
  decidingCategory,
  formatNumber,
  placeState,
  shownUnit,
  unitText,
  type AnswerFact,
  type Certainty,
  type ClauseState,
  type ClauseVerdict,
  type NumberFact,
  type PlaceOutcome,
  type PlaceVerdict,
  type State,
  type Unit,
} from '@apple-cart/core';
import { AnswerField } from '../fields/choice-field.tsx';
import { FieldGroup } from '../fields/field-group.tsx';
import { NumberField } from '../fields/number-field.tsx';
import { useBuild } from '../state/build-store.ts';
import { withSection } from '../state/paths.ts';
import { useSettings } from '../state/settings-store.ts';
import { Button } from '../ui/button.tsx';
import { Caution } from '../ui/caution.tsx';
import { Num } from '../ui/num.tsx';
import { PanelHead } from '../ui/panel.tsx';
import { SOURCE_WORD, SourceMark } from '../ui/source-mark.tsx';
import { Stamp } from '../ui/stamp.tsx';
import { StateMark } from '../ui/state-mark.tsx';
import { Stage } from './stage.tsx';
import { useStage } from './use-stage.ts';

const STATE: Readonly<Record<ClauseState, State>> = {
  pass: 'fine',
  check: 'look',
  fail: 'stop',
  unknown: 'unknown',
};

const WORD: Readonly<Record<PlaceOutcome, string>> = {
  inside: 'Inside',
  check: 'Check',
  'cannot-tell': 'Cannot tell',
  'other-class': 'Other class',
  outside: 'Outside',
};

const SENTENCE: Readonly<Record<PlaceOutcome, string>> = {
  inside: 'Every clause that is remembered is met.',
  check: 'No clause is broken, but some rest on an assumed value or an uncertain memory.',
  'cannot-tell': 'A value that decides is missing.',
  'other-class': 'It falls into a class that needs an authority’s approval before it is ridden on a road.',
  outside: 'Clauses of every class that needs no approval are broken.',
};

function CertaintyMark({ certainty }: { certainty: Certainty }) {
  const bars = { high: 3, medium: 2, low: 1 }[certainty];
  return (
    <span className="flex items-center gap-1.5">
      <svg viewBox="0 0 17 10" width="17" height="10" aria-hidden>
        {[0, 1, 2].map((i) => (
          <rect
            key={i}
            x={i * 6 + 0.5}
            y="0.5"
            width="4"
            height="9"
            fill={i < bars ? 'var(--ink2)' : 'none'}
            stroke="var(--ink2)"
          />
        ))}
      </svg>
      {certainty}
    </span>
  );
}

const OP = { '<': 'less than', '<=': 'at most', '>=': 'at least' } as const;
const ANSWER = { yes: 'yes', no: 'no', unknown: 'not checked' } as const;

function limitText({ clause }: ClauseVerdict): {
  readonly words: string;
  readonly value?: number;
  readonly unit?: Unit;
} {
  switch (clause.kind) {
    case 'number':
      return { words: OP[clause.op], value: clause.limit, unit: clause.unit };
    case 'one-of':
      return { words: `one of ${clause.allowed.join(', ')}` };
    case 'answer':
      return { words: clause.wanted === 'yes' ? 'required' : 'not allowed' };
  }
}

/** Clause limits are read in the instrument's own unit; the reader's unit is for the rest. */
const digitsOf = (unit: Unit): number => (unit === 'km/h' || unit === 'mph' ? 2 : 0);

function FactText({
  fact,
  value,
  unit,
}: {
  fact: NumberFact | AnswerFact | undefined;
  value: number | undefined;
  unit: Unit;
}) {
  if (fact === undefined) return <span className="text-slate">not known</span>;
  if (fact.kind === 'answer') return <>{ANSWER[fact.answer]}</>;
  return (
    <>
      <Num text={formatNumber(value ?? 0, digitsOf(unit))} places={2} unit={unitText(unit)} />
      {fact.low !== fact.high && <span className="block text-[12px] text-ink2">fast case of a band</span>}
    </>
  );
}

function ClauseRow({ verdict }: { verdict: ClauseVerdict }) {
  const { clause, state, fact, margin, value, why } = verdict;
  const limit = limitText(verdict);
  const unit = limit.unit ?? '1';
  const tint = state === 'fail' ? 'bg-stop-tint' : '';
  const source =
    fact === undefined
      ? 'unknown'
      : fact.kind === 'number'
        ? fact.source
        : fact.answer === 'unknown'
          ? 'unknown'
          : 'measured';
  const how = fact?.how;
  const remarks = [why, clause.note]
    .filter((text) => text !== undefined)
    .map((text) => text.replace(/^./, (c) => c.toUpperCase()).replace(/\.?$/, '.'))
    .join(' ');
  return (
    <tr className={`border-b border-hair align-top ${tint}`}>
      <td className="w-8 py-2 pl-1">
        <StateMark state={STATE[state]} size={15} />
      </td>
      <th scope="row" className="py-1.5 pr-2 text-left font-normal">
        <b className="font-semibold">{clause.title}</b>
        <span className="block text-[12px] text-ink2">{clause.source}</span>
        {remarks !== '' && <span className="block text-[12px] text-ink2">{remarks}</span>}
      </th>
      <td className="py-1.5 pr-2 text-[13px] whitespace-nowrap text-ink2">
        {limit.words}{' '}
        {limit.value !== undefined && (
          <>
            <span className="num text-ink">{formatNumber(limit.value, limit.value % 1 === 0 ? 0 : 1)}</span>{' '}
            <span className="text-[12px] text-ink3">{unitText(unit)}</span>
          </>
        )}
      </td>
      <td
        className={`py-1.5 pr-2 text-right whitespace-nowrap ${state === 'fail' ? 'font-semibold text-stop' : ''}`}
        title={how}
      >
        <FactText fact={fact} value={value} unit={unit} />
      </td>
      <td
        className={`num py-1.5 pr-2 text-right whitespace-nowrap max-tablet:hidden ${margin !== undefined && margin < 0 ? 'text-stop' : ''}`}
      >
        {margin === undefined || unit === '1'
          ? ''
          : `${margin > 0 ? '+' : ''}${formatNumber(margin, digitsOf(unit))}`}
      </td>
      <td className="py-1.5 pr-2 text-[12px] whitespace-nowrap text-ink2 max-tablet:hidden" title={how}>
        <span className="flex items-center gap-1.5">
          <SourceMark source={source} />
          {SOURCE_WORD[source]}
        </span>
      </td>
      <td className="py-1.5 text-[12px] text-ink2 max-tablet:hidden">
        <CertaintyMark certainty={clause.certainty} />
      </td>
    </tr>
  );
}

function Clauses({ place }: { place: PlaceVerdict }) {
  return place.tests.map((test, index) => {
    const shown = decidingCategory(test) ?? test.categories[0];
    if (shown === undefined) return null;
    return (
      <section key={test.test.id} className="pb-2">
        <PanelHead title={shown.category.name} note={index === 0 ? 'clause by clause' : test.test.question}>
          {index === 0 && (
            <Button
              kind="quiet"
              className="h-7! max-bench:h-11!"
              onClick={() => {
                window.print();
              }}
            >
              Print
            </Button>
          )}
        </PanelHead>
        <table className="w-full border-collapse text-[14px]">
          <thead>
            <tr className="border-b-[1.5px] border-ink text-left text-[12.5px]">
              <th className="py-1.5" />
              <th className="py-1.5 font-semibold">Clause</th>
              <th className="py-1.5 font-semibold">Limit</th>
              <th className="py-1.5 pr-2 text-right font-semibold">This build</th>
              <th className="py-1.5 pr-2 text-right font-semibold max-tablet:hidden">Margin</th>
              <th className="py-1.5 font-semibold max-tablet:hidden">Source</th>
              <th className="py-1.5 font-semibold max-tablet:hidden">Certainty</th>
            </tr>
          </thead>
          <tbody>
            {shown.clauses.map((clause) => (
              <ClauseRow key={clause.clause.id} verdict={clause} />
            ))}
          </tbody>
        </table>
        <p className="py-1.5 text-[12.5px] text-ink2">
          {test.test.question} {shown.category.instrument} ({shown.category.year}).{' '}
          {test.resulting === undefined || test.resulting.category.id !== shown.category.id
            ? `What it is instead: ${test.resulting?.category.name ?? test.test.otherwise.name}. ${test.resulting?.category.approvalNote ?? test.test.otherwise.note}`
            : `If it left these limits: ${test.test.otherwise.name}. ${test.test.otherwise.note}`}
        </p>
      </section>
    );
  });
}

function Places({ places, here }: { places: readonly PlaceVerdict[]; here: PlaceVerdict }) {
  const edit = useBuild((state) => state.edit);
  return (
    <section className="keep-together">
      <PanelHead title="Other places at once" note="same numbers, their rules" />
      <div className="grid grid-cols-3 border-t-[1.5px] border-ink max-tablet:grid-cols-1">
        {places.map((place) => (
          <button
            key={place.place.id}
            type="button"
            onClick={() => {
              edit((d) => withSection(d, 'brief', { place: place.place.id }), 'place');
            }}
            className={`border-r border-b border-hair px-2.5 py-2 text-left last:border-r-0 hover:bg-press ${place.place.id === here.place.id ? 'bg-press' : ''}`}
          >
            <b className="head block text-[14px]">{place.place.name}</b>
            <span className="mt-1 flex items-center gap-1.5">
              <StateMark state={placeState(place.outcome)} />
              {WORD[place.outcome].toLowerCase()}, {place.className}
            </span>
          </button>
        ))}
      </div>
    </section>
  );
}

function Reasons({ place }: { place: PlaceVerdict }) {
  const list = [...place.failing, ...place.unsettled];
  if (list.length === 0) return null;
  return (
    <FieldGroup
      title="What decides"
      note={`${String(place.failing.length)} broken, ${String(place.unsettled.length)} open`}
    >
      {list.map((clause) => (
        <div
          key={clause.clause.title + clause.clause.id}
          className="flex items-start gap-2.5 border-b border-hair py-1.5"
        >
          <span className="pt-0.5">
            <StateMark state={STATE[clause.state]} labelled={false} size={15} />
          </span>
          <span className="leading-snug">
            <b className="font-semibold">{clause.clause.title}</b>
            <span className="block text-[12.5px] text-ink2">
              {clause.why ?? (clause.state === 'fail' ? 'past the limit' : 'check it')}
            </span>
          </span>
        </div>
      ))}
    </FieldGroup>
  );
}

/** The values of the build that the law asks for, to settle them where they are missed. */
function LawFields() {
  const { document } = useStage();
  const edit = useBuild((state) => state.edit);
  const control = (part: Partial<typeof document.controls>, label: string): void => {
    edit((d) => withSection(d, 'controls', part), label);
  };
  return (
    <FieldGroup title="What the law asks of it">
      <NumberField path="drive.ratedPowerW" label="Rated power" />
      {document.controller.limitsSpeed && (
        <NumberField path="controller.assistCutoffKmh" label="Help has ended at" />
      )}
      <AnswerField
        label="Motor stops with the pedals"
        value={document.controls.motorStopsWithPedals}
        onChange={(motorStopsWithPedals) => {
          control({ motorStopsWithPedals }, 'motor stops with the pedals');
        }}
      />
      <AnswerField
        label="Speedometer fitted"
        value={document.controls.speedometer}
        onChange={(speedometer) => {
          control({ speedometer }, 'speedometer');
        }}
      />
      <AnswerField
        label="Class label on it"
        value={document.controls.classLabel}
        onChange={(classLabel) => {
          control({ classLabel }, 'class label');
        }}
      />
    </FieldGroup>
  );
}

/** The legal class: stamp, what decides, clause by clause, duties, other places. */
export function LawStage() {
  const { verdict } = useStage();
  const system = useSettings((state) => state.units);
  const { here, places, facts } = verdict.law;
  const duties = here.tests.flatMap((t) => t.resulting?.category.duties ?? []);
  const unit = shownUnit('km/h', system);
  const speed = (kmh: number): string => formatNumber(convert(kmh, 'km/h', unit), 1);
  const { motorAloneKmh } = facts;
  return (
    <Stage
      id="law"
      left="narrow"
      inputs={
        <>
          <div className="pt-4 pb-2 text-center">
            <Stamp
              large
              state={placeState(here.outcome)}
              word={WORD[here.outcome]}
              under={`${here.className}, ${here.place.name}`}
            />
          </div>
          <p className="head py-2 text-[17px] leading-snug font-semibold">{SENTENCE[here.outcome]}</p>
          <Reasons place={here} />
          <LawFields />
          {duties.length > 0 && (
            <FieldGroup title="Duties of this class">
              {duties.map((duty, i) => (
                <p key={`${duty.title}${String(i)}`} className="border-b border-hair py-1.5 leading-snug">
                  <b className="font-semibold">{duty.title}.</b> {duty.text}{' '}
                  <span className="text-[12px] text-ink2">({duty.certainty} certainty)</span>
                </p>
              ))}
            </FieldGroup>
          )}
        </>
      }
      picture={
        <>
          <Clauses place={here} />
          <p className="pb-2 text-[13px] text-ink2">
            Motor alone on the level with a 170 lb rider:{' '}
            {motorAloneKmh.low === motorAloneKmh.high
              ? speed(motorAloneKmh.high)
              : `${speed(motorAloneKmh.low)} to ${speed(motorAloneKmh.high)}`}{' '}
            {unitText(unit)}, {motorAloneKmh.how}.
          </p>
          <Places places={places} here={here} />
          <Caution>
            <b>A planning aid, not legal advice.</b> {here.place.provenance} Memory reaches to{' '}
            {here.place.readYear}. {here.place.changing} The police and the vehicle authority decide, and they
            judge the finished cycle, not the kit.
          </Caution>
        </>
      }
    />
  );
}
