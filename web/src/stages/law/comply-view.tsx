import { useMemo, useState } from 'react';
import {
  formatNumber,
  phraseText,
  type BuildDocument,
  type Gains,
  type ComplyStep,
  type PlaceVerdict,
} from '@apple-cart/core';
import { ChoiceField } from '../../fields/choice-field.tsx';
import { useStudy } from '../../ride/use-study.ts';
import { useBuild } from '../../state/build-store.ts';
import { useBook } from '../../state/rules.ts';
import { useSettings } from '../../state/settings-store.ts';
import { useChange } from '../../state/use-quantity.ts';
import { Button } from '../../ui/button.tsx';
import { PanelHead } from '../../ui/panel.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { useDeferredStage } from '../parts/use-stage.ts';
import { CATEGORY_STATE, CATEGORY_WORD } from './law-words.ts';

const EFFORT = { setting: 'a setting', paper: 'a label', part: 'something to fit' } as const;

/** What a change costs, in the reader's units: only what moves is said. */
function useCostText(): (cost: Gains) => string {
  const change = useChange();
  return ({ topKmh, hillKmh, rangeKm }) => {
    const one = (name: string, value: number | undefined, unit: 'km/h' | 'km'): readonly string[] => {
      if (value === undefined) return [`${name} no longer compares`];
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
}: {
  step: ComplyStep;
  number: number | undefined;
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
  const chosen = classes.find((c) => c.category.id === wanted) ?? classes[0];
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
  const edit = useBuild((state) => state.edit);
  const latest = useBuild((state) => state.document);
  const costText = useCostText();
  const input = useMemo(
    () => ({ build: document, book: rulesFor(here, book), category: id }),
    [document, here, book, id],
  );
  const { value: plan, busy, failed } = useStudy('comply', input);
  const current = plan?.category.id === id ? plan : undefined;
  const fresh = !busy && latest === document;
  return (
    <>
      {failed && (
        <p role="alert" className="py-3 text-stop">
          The changes could not be worked out. Change a value, or reload the page.
        </p>
      )}
      {current === undefined ? (
        <p role="status" className="py-6 text-ink2">
          Trying changes…
        </p>
      ) : (
        <div className={fresh ? '' : 'opacity-60'} data-testid="fit-plan" aria-busy={!fresh}>
          {current.steps.length === 0 ? (
            <p className="flex items-center gap-2 py-3">
              <StateMark state={CATEGORY_STATE[current.together.after.outcome]} size={15} labelled={false} />
              {current.cannot.length > 0 && current.together.after.outcome === 'outside'
                ? 'No setting brings it in.'
                : 'Nothing that a setting could mend is broken.'}
            </p>
          ) : (
            <>
              <ol className="border-t-[1.5px] border-ink">
                {current.steps.map((step, i) => (
                  <Step key={step.id} step={step} number={i + 1} current={document} />
                ))}
              </ol>
              <div className="flex flex-wrap items-center gap-x-3 gap-y-1.5 py-2.5">
                <StateMark
                  state={CATEGORY_STATE[current.together.after.outcome]}
                  size={17}
                  labelled={false}
                />
                <span className="leading-snug">
                  <b className="font-semibold">
                    {current.steps.length === 1
                      ? 'After it'
                      : `After ${current.steps.length === 2 ? 'both' : `all ${formatNumber(current.steps.length, 0)}`}`}
                    : {CATEGORY_WORD[current.together.after.outcome]}, {current.category.shortName}.
                  </b>
                  <span className="block text-[12.5px] text-ink2">{costText(current.together.cost)}</span>
                </span>
                {current.steps.length > 1 && (
                  <Button
                    kind="go"
                    className="no-print ml-auto"
                    onClick={() => {
                      edit(
                        (d) => (d === document ? current.together.build : d),
                        `made to fit ${current.category.shortName}`,
                      );
                    }}
                  >
                    Try them together
                  </Button>
                )}
              </div>
            </>
          )}
          {current.others.length > 0 && (
            <>
              <h3 className="head border-b-[1.5px] border-ink pt-2 pb-1 text-[14px]">Or instead</h3>
              <ul>
                {current.others.map((step) => (
                  <Step key={step.id} step={step} number={undefined} current={document} />
                ))}
              </ul>
            </>
          )}
          {current.cannot.length > 0 && (
            <>
              <h3 className="head border-b-[1.5px] border-ink pt-3 pb-1 text-[14px]">
                What no setting mends
              </h3>
              {current.cannot.map(({ title, why }) => (
                <p key={title} className="flex gap-2.5 border-b border-hair py-2 leading-snug">
                  <span className="pt-0.5">
                    <StateMark state="stop" size={14} labelled={false} />
                  </span>
                  <span>
                    <b className="font-semibold">{title}.</b> <span className="text-ink2">{why}</span>
                  </span>
                </p>
              ))}
            </>
          )}
          {current.toSettle.length > 0 && (
            <>
              <h3 className="head border-b-[1.5px] border-ink pt-3 pb-1 text-[14px]">Still to settle</h3>
              {current.toSettle.map(({ clause, why }) => (
                <p
                  key={clause.id + clause.source}
                  className="flex gap-2.5 border-b border-hair py-2 leading-snug"
                >
                  <span className="pt-0.5">
                    <StateMark state="unknown" size={14} labelled={false} />
                  </span>
                  <span>
                    <b className="font-semibold">{clause.title}.</b>{' '}
                    <span className="text-ink2">
                      {why}; {clause.source}
                    </span>
                  </span>
                </p>
              ))}
            </>
          )}
          <p className="pt-3 text-[12.5px] text-ink2">
            A change is tried on the build and taken back with undo (Ctrl+Z). Values that it sets are assumed
            until the controller has them. Rated power, approval and the number of wheels are not settings.
          </p>
        </div>
      )}
    </>
  );
}

/** The rules a place is judged by: its own and those it names. */
const rulesFor = (here: PlaceVerdict, book: ReturnType<typeof useBook>) => [
  here.place,
  ...book.filter((p) => here.place.also.includes(p.id)),
];
