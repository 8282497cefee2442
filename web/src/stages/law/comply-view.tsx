import { useMemo, useState } from 'react';
import {
  decidingCategory,
  formatNumber,
  phraseText,
  type BuildDocument,
  type Gains,
  type ComplyPlan,
  type ComplyStep,
  type PlaceVerdict,
} from '@apple-cart/core';
import { ChoiceField } from '../../fields/choice-field.tsx';
import { Studying } from '../../work/studying.tsx';
import { useStudy } from '../../work/use-study.ts';
import { useBuild } from '../../state/build-store.ts';
import { useBook } from '../../state/rules.ts';
import { useSettings } from '../../state/settings-store.ts';
import { useChange } from '../../state/use-quantity.ts';
import { capital } from '../../ui/capital.ts';
import { Button } from '../../ui/button.tsx';
import { PanelHead } from '../../ui/panel.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { useDeferredStage } from '../parts/use-stage.ts';
import { CATEGORY_STATE, CATEGORY_WORD } from './law-words.ts';

/** The two questions, as a step serves them. */
const SERVES = { riding: 'riding it here', sale: 'selling it as a bicycle' } as const;

const EFFORT = { setting: 'a setting', paper: 'a label', part: 'something to fit' } as const;

/** What a change costs, in the reader's units: only what moves is said. */
function useCostText(): (cost: Gains) => string {
  const change = useChange();
  return ({ topKmh, hillKmh, rangeKm }) => {
    const one = (name: string, value: number | undefined, unit: 'km/h' | 'km'): readonly string[] => {
      // Where neither of the two climbs or moves nothing is lost.
      if (value === undefined) return unit === 'km' ? [`${name} no longer compares`] : [];
      const moved = change(value, unit, 1);
      return moved === undefined ? [] : [`${name} ${moved.text} ${moved.unit}`];
    };
    const parts = [
      ...one('top speed', topKmh, 'km/h'),
      ...one('hill', hillKmh, 'km/h'),
      ...one('range', rangeKm, 'km'),
    ];
    return parts.length === 0 ? 'costs no speed, hill or range' : parts.join(', ');
  };
}

function Step({
  step,
  number,
  current,
  questions,
}: {
  step: ComplyStep;
  number: number | undefined;
  /** The place asks two questions: which of them it serves is said. */
  questions: boolean;
  current: BuildDocument;
}) {
  const edit = useBuild((state) => state.edit);
  const system = useSettings((state) => state.units);
  const costText = useCostText();
  const words = phraseText(step.what, system);
  return (
    <li
      className="grid grid-cols-[28px_minmax(0,1fr)_auto] items-start gap-x-2 border-b border-hair py-2"
      data-step={step.id}
    >
      <b className="num pt-0.5 text-[17px] leading-tight">{number ?? ''}</b>
      <span className="leading-snug">
        <b className="font-semibold">{words}</b>
        <span className="block text-[12.5px] text-ink2">
          {EFFORT[step.effort]}; {costText(step.cost)}
          {questions &&
            step.serves.length > 0 &&
            `; serves ${step.serves.map((q) => SERVES[q]).join(' and ')}`}
        </span>
        {step.clears.length > 0 && (
          <span className="flex items-center gap-1.5 text-[12.5px]">
            <StateMark state="fine" size={11} labelled={false} /> clears{' '}
            {step.clears.join(', ').toLowerCase()}
          </span>
        )}
      </span>
      <Button
        className="no-print"
        aria-label={`Try: ${words}`}
        onClick={() => {
          // The plan is of this very build; an edit since then is not overwritten.
          edit((d) => (d === current ? step.build : d), words.toLowerCase());
        }}
      >
        Try
      </Button>
    </li>
  );
}

/** For a wanted class the smallest changes that bring the build in, with what each costs, tried with one action. */
export function ComplyView() {
  const { document, verdict } = useDeferredStage();
  const { here } = verdict.law;
  const [wanted, setWanted] = useState<string>();
  const classes = here.tests.flatMap((t) => t.categories);
  // The class nearest to how it is ridden comes first.
  const own = here.tests.find((t) => t.test.id === here.place.primaryTest) ?? here.tests[0];
  const nearest = own === undefined ? undefined : decidingCategory(own);
  const chosen = classes.find((c) => c.category.id === wanted) ?? nearest ?? classes[0];
  if (chosen === undefined)
    return (
      <p className="py-6 text-ink2">
        There are no rules for this place: choose another, or add them to the rule book.
      </p>
    );
  return (
    <section aria-label="Make it fit">
      <PanelHead title="Make it fit" note="the smallest changes, in order of effort" />
      <ChoiceField
        label="Wanted class"
        value={chosen.category.id}
        options={classes.map((c) => ({
          value: c.category.id,
          label: c.category.shortName,
          note: `${c.category.name}: ${CATEGORY_WORD[c.outcome]}`,
        }))}
        onChange={setWanted}
      />
      <Plan document={document} here={here} id={chosen.category.id} />
    </section>
  );
}

/** The plan for one class. */
function Plan({ document, here, id }: { document: BuildDocument; here: PlaceVerdict; id: string }) {
  const book = useBook();
  const latest = useBuild((state) => state.document);
  const input = useMemo(
    () => ({ build: document, book: rulesFor(here, book), category: id }),
    [document, here, book, id],
  );
  const studied = useStudy('comply', input);
  // The plan for another class is not this one's, however fresh.
  const plan = studied.value?.category.id === id ? studied.value : undefined;
  const busy = studied.busy || latest !== document;
  return (
    <Studying {...studied} value={plan} busy={busy} waiting="Trying changes…">
      {(current) => (
        <div data-testid="fit-plan" aria-busy={busy}>
          <Steps plan={current} document={document} questions={here.sale !== undefined} />
          <Others plan={current} document={document} questions={here.sale !== undefined} />
          <Cannot plan={current} questions={here.sale !== undefined} />
          <ToSettle plan={current} questions={here.sale !== undefined} />
          <p className="pt-3 text-[12.5px] text-ink2">
            A change is tried on the build and taken back with undo (Ctrl+Z). Values that it sets are assumed
            until the controller has them. Rated power, approval and the number of wheels are not settings.
          </p>
        </div>
      )}
    </Studying>
  );
}

const allOf = (count: number): string => (count === 2 ? 'both' : `all ${formatNumber(count, 0)}`);

/** What is needed together, and what the class then is. */
interface PlanProps {
  readonly plan: ComplyPlan;
  readonly document: BuildDocument;
  readonly questions: boolean;
}

function Steps({ plan, document, questions }: PlanProps) {
  const edit = useBuild((state) => state.edit);
  const costText = useCostText();
  const { steps, together, cannot, category } = plan;
  const state = CATEGORY_STATE[together.after.outcome];
  if (steps.length === 0)
    return (
      <p className="flex items-center gap-2 py-3">
        <StateMark state={state} size={15} labelled={false} />
        {cannot.length > 0 && together.after.outcome === 'outside'
          ? 'No setting brings it in.'
          : 'Nothing that a setting could mend is broken.'}
      </p>
    );
  return (
    <>
      <ol className="border-t-[1.5px] border-ink">
        {steps.map((step, i) => (
          <Step key={step.id} step={step} number={i + 1} current={document} questions={questions} />
        ))}
      </ol>
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1.5 py-2.5">
        <StateMark state={state} size={17} labelled={false} />
        <span className="leading-snug">
          <b className="font-semibold">
            {steps.length === 1 ? 'After it' : `After ${allOf(steps.length)}`}:{' '}
            {together.after.outcome === 'outside'
              ? `still outside, ${category.shortName}; see what no setting mends`
              : `${CATEGORY_WORD[together.after.outcome]}, ${category.shortName}`}
            .
          </b>
          <span className="block text-[12.5px] text-ink2">{costText(together.cost)}</span>
        </span>
        {steps.length > 1 && (
          <Button
            kind="go"
            className="no-print ml-auto"
            onClick={() => {
              edit((d) => (d === document ? together.build : d), `made to fit ${category.shortName}`);
            }}
          >
            Try them together
          </Button>
        )}
      </div>
    </>
  );
}

/** Other ways for one of the steps. */
function Others({ plan: { others }, document, questions }: PlanProps) {
  if (others.length === 0) return null;
  return (
    <>
      <h3 className="head border-b-[1.5px] border-ink pt-2 pb-1 text-[14px]">Or instead</h3>
      <ul>
        {others.map((step) => (
          <Step key={step.id} step={step} number={undefined} current={document} questions={questions} />
        ))}
      </ul>
    </>
  );
}

/** A list of what stays open, each with why. */
function Open({
  title,
  state,
  rows,
}: {
  title: string;
  state: 'stop' | 'unknown';
  rows: readonly { readonly key: string; readonly name: string; readonly why: string }[];
}) {
  if (rows.length === 0) return null;
  return (
    <>
      <h3 className="head border-b-[1.5px] border-ink pt-3 pb-1 text-[14px]">{title}</h3>
      {rows.map(({ key, name, why }) => (
        <p key={key} className="flex gap-2.5 border-b border-hair py-2 leading-snug">
          <span className="pt-0.5">
            <StateMark state={state} size={14} labelled={false} />
          </span>
          <span>
            <b className="font-semibold">{name}.</b> <span className="text-ink2">{capital(why)}</span>
          </span>
        </p>
      ))}
    </>
  );
}

const Cannot = ({ plan: { cannot }, questions }: Pick<PlanProps, 'plan' | 'questions'>) => (
  <Open
    title="What no setting mends"
    state="stop"
    rows={cannot.map(({ title, why, about }) => ({
      key: `${about} ${title}`,
      name: questions ? `${title}, for ${SERVES[about]}` : title,
      why,
    }))}
  />
);

const ToSettle = ({ plan: { toSettle }, questions }: Pick<PlanProps, 'plan' | 'questions'>) => (
  <Open
    title="Still to settle"
    state="unknown"
    rows={toSettle.map(({ clause, why, about }) => ({
      key: clause.id + clause.source,
      name: questions ? `${clause.title}, for ${SERVES[about]}` : clause.title,
      why: `${why ?? ''}; ${clause.source}`,
    }))}
  />
);

/** The rules a place is judged by: its own and those it names. */
const rulesFor = (here: PlaceVerdict, book: ReturnType<typeof useBook>) => [
  here.place,
  ...book.filter((p) => here.place.also.includes(p.id)),
];
