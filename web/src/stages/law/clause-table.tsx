import { useMemo, useState } from 'react';
import {
  decidingCategory,
  thirtyMinutePower,
  type Machine,
  type CategoryVerdict,
  type PlaceRules,
  type PlaceVerdict,
} from '@apple-cart/core';
import { PanelHead } from '../../ui/panel.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { CertaintyMark } from './certainty-mark.tsx';
import { ClauseRow } from './clause-row.tsx';
import { CATEGORY_STATE, CATEGORY_WORD } from './law-words.ts';

type TestVerdict = PlaceVerdict['tests'][number];

const STATUS_WORD = {
  current: '',
  changing: 'The text is being changed.',
  superseded: 'Superseded.',
  repealed: 'Repealed.',
  future: 'Not in force yet.',
} as const;

/** The classes of one test beside each other; the one chosen is shown clause by clause. */
function Classes({
  test,
  shown,
  onShow,
}: {
  test: TestVerdict;
  shown: CategoryVerdict;
  onShow: (id: string) => void;
}) {
  if (test.categories.length < 2) return null;
  return (
    <div className="no-print flex flex-wrap gap-1.5 pb-2" role="group" aria-label="Classes">
      {test.categories.map(({ category, outcome }) => (
        <button
          key={category.id}
          type="button"
          aria-pressed={category.id === shown.category.id}
          onClick={() => {
            onShow(category.id);
          }}
          className={`flex min-h-8 items-center gap-1.5 border-[1.5px] px-2.5 text-[13px] max-bench:min-h-11 ${category.id === shown.category.id ? 'border-ink bg-field font-semibold' : 'border-rule text-ink2 hover:bg-press'}`}
        >
          <StateMark state={CATEGORY_STATE[outcome]} size={13} labelled={false} />
          {category.shortName}
          <span className="font-normal text-ink2">{CATEGORY_WORD[outcome]}</span>
        </button>
      ))}
    </div>
  );
}

/** What the instrument leaves free, so that nobody looks for it. */
function Silent({ shown }: { shown: CategoryVerdict }) {
  const silent = shown.category.silent ?? [];
  if (silent.length === 0) return null;
  return (
    <details className="py-1.5 text-[12.5px] text-ink2">
      <summary className="cursor-pointer max-bench:min-h-11 max-bench:py-3.5">
        Left free: {silent.map((s) => s.title.toLowerCase()).join(', ')}
      </summary>
      <ul className="pt-1 pl-4">
        {silent.map((s) => (
          <li key={s.title} className="flex gap-2 py-0.5">
            <span className="flex-1">
              <b className="font-semibold text-ink">{s.title}</b>: no limit remembered.{' '}
              {s.note?.startsWith('No limit') === true ? '' : s.note}
            </span>
            <CertaintyMark certainty={s.certainty} />
          </li>
        ))}
      </ul>
    </details>
  );
}

function TestClauses({
  test,
  place,
  first,
  heldW,
}: {
  test: TestVerdict;
  place: PlaceRules;
  first: boolean;
  heldW: number;
}) {
  const [chosen, setChosen] = useState<string>();
  const shown =
    test.categories.find((c) => c.category.id === chosen) ?? decidingCategory(test) ?? test.categories[0];
  if (shown === undefined) return null;
  const { category } = shown;
  return (
    <section className="pb-2" aria-label={category.name}>
      <PanelHead title={category.name} note={first ? 'clause by clause' : test.test.question} />
      <Classes test={test} shown={shown} onShow={setChosen} />
      <table className="w-full border-collapse text-[14px]">
        <thead>
          <tr className="border-b-[1.5px] border-ink text-left text-[12.5px]">
            <td className="py-1.5" />
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
            <ClauseRow
              key={clause.clause.id}
              verdict={clause}
              category={category}
              place={place}
              heldW={heldW}
            />
          ))}
        </tbody>
      </table>
      <p className="py-1.5 text-[12.5px] text-ink2">
        {first ? `${test.test.question} ` : ''}
        {category.instrument} ({category.year}). {STATUS_WORD[category.status]} {category.statusNote}{' '}
        {category.powerBasis !== undefined &&
          `Power: ${category.powerBasis.text} (${category.powerBasis.certainty} certainty). `}
        {category.approvalNote} If it leaves every class: {test.test.otherwise.name}.{' '}
        {test.test.otherwise.note}
      </p>
      <Silent shown={shown} />
    </section>
  );
}

/** Clause by clause, for every question that a place asks; any of its classes can be looked at. */
export function Clauses({ place, machine }: { place: PlaceVerdict; machine: Machine }) {
  const heldW = useMemo(() => thirtyMinutePower(machine).watts, [machine]);
  return place.tests.map((test, i) => (
    <TestClauses
      key={`${place.place.id} ${test.test.id}`}
      test={test}
      place={place.place}
      first={i === 0}
      heldW={heldW}
    />
  ));
}
