import {
  LEFT_OVER_LOOKS,
  LEFT_OVER_NAMES,
  LEFT_OVER_ENDS,
  LIMIT_NOW,
  MOST_LEFT_OVER,
  counted,
  firstOf,
  leftOverAs,
  leftOverRows,
  offeredLeftOver,
  type BuildDocument,
  type LeftOver,
  type LeftOverRow,
  type LeftOverWork,
} from '@apple-cart/core';
import { Plus } from 'lucide-react';
import { useSearchParams } from 'react-router';
import { AnswerField, CHOICE_ROW, ChoiceField } from '../../fields/choice-field.tsx';
import { FieldGroup } from '../../fields/field-group.tsx';
import { TextField } from '../../fields/text-field.tsx';
import { NumberCell } from '../../ui/number-cell.tsx';
import { PanelHead } from '../../ui/panel.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { TextButton } from '../../ui/text-button.tsx';
import type { WiringData } from './use-wiring.ts';

const ENDS_WORDS = { unknown: 'not looked at', open: 'left open', joined: 'joined' } as const;
const LIMIT_WORDS = { unknown: 'not tried', acts: 'acts', lifted: 'is lifted' } as const;

/** The lead in hand by the address, else the first; how one is noted, told of and taken away. */
function useLeftOver({ document, change }: WiringData) {
  const [params, setParams] = useSearchParams();
  const rows = leftOverRows(document);
  const row = rows.find(({ key }) => key === params.get('lead')) ?? rows[0];
  const choose = (key: string): void => {
    const next = new URLSearchParams(params);
    next.set('lead', key);
    setParams(next, { replace: true });
  };
  return {
    rows,
    row,
    choose,
    note: (work: LeftOverWork): void => {
      let n = 1;
      while (document.harness.leftOver[`${work}-${String(n)}`] !== undefined) n += 1;
      const key = `${work}-${String(n)}`;
      change(
        (now) => ({ leftOver: { ...now.leftOver, [key]: leftOverAs(work) } }),
        `${LEFT_OVER_NAMES[work].toLowerCase()} noted`,
      );
      choose(key);
    },
    tell: (key: string, next: Partial<LeftOver>, label: string): void => {
      change(
        (now) => {
          const told = now.leftOver[key];
          return told === undefined ? {} : { leftOver: { ...now.leftOver, [key]: { ...told, ...next } } };
        },
        label,
        `left over ${key} ${Object.keys(next).join()}`,
      );
    },
    drop: (key: string, name: string): void => {
      change(
        (now) => ({ leftOver: Object.fromEntries(Object.entries(now.leftOver).filter(([k]) => k !== key)) }),
        `${name} taken away`,
      );
    },
  };
}

/** The lead in hand: how it looks, whether it is joined, and what was read of it. */
export function LeftOverInputs({ data }: { data: WiringData }) {
  const { row, tell, drop } = useLeftOver(data);
  if (row === undefined)
    return (
      <p className="py-2 leading-snug text-ink2">
        Most controllers bring more plugs than a plan has use for. Note each one that is still free once
        everything else is joined: what it does, and that it cannot do it by accident.
      </p>
    );
  const { key, told, name } = row;
  const { looks, does } = LEFT_OVER_LOOKS[told.work];
  const isLimit = told.work === 'limit';
  return (
    <FieldGroup title={name}>
      <p className="border-b border-hair py-1.5 leading-snug text-ink2">
        Looks like {looks}. It {told.work === 'other' ? 'does what nobody knows yet' : does}.
      </p>
      <TextField
        label="As printed, or its colours"
        value={told.name}
        max={60}
        placeholder="white, white"
        onChange={(next) => {
          tell(key, { name: next }, 'name');
        }}
      />
      <ChoiceField
        label="It is"
        value={told.ends}
        unknown={told.ends === 'unknown'}
        options={LEFT_OVER_ENDS.map((value) => ({ value, label: ENDS_WORDS[value] }))}
        onChange={(ends) => {
          tell(key, { ends }, 'ends');
        }}
      />
      {isLimit && (
        <ChoiceField
          label="As it is, the speed limit"
          value={told.limit}
          unknown={told.limit === 'unknown'}
          options={LIMIT_NOW.map((value) => ({ value, label: LIMIT_WORDS[value] }))}
          onChange={(limit) => {
            tell(key, { limit }, 'limit');
          }}
        />
      )}
      {(told.ends === 'open' || isLimit) && (
        <AnswerField
          label={told.ends === 'open' && !isLimit ? 'Each contact covered by itself' : 'Sealed, out of reach'}
          value={told.covered}
          onChange={(covered) => {
            tell(key, { covered }, 'covered');
          }}
        />
      )}
      <div className={CHOICE_ROW}>
        <span className="py-0.5 pr-2 leading-[1.15]">
          Volts at it, key on <span className="text-[12.5px] text-ink3">V</span>
        </span>
        <NumberCell
          label={`Volts: ${name}`}
          value={told.volts}
          most={150}
          onChange={(volts) => {
            tell(key, { volts }, 'volts');
          }}
        />
      </div>
      <p className="py-1.5">
        <TextButton
          aria-label={`Take away: ${name}`}
          onClick={() => {
            drop(key, name);
          }}
        >
          Take away
        </TextButton>
      </p>
    </FieldGroup>
  );
}

/** Left-over leads with how each stands; for the screen each can be taken in hand. */
export function LeftOverTable({
  build,
  picked,
  pick,
}: {
  build: BuildDocument;
  picked?: LeftOverRow | undefined;
  pick?: (key: string) => void;
}) {
  return (
    <table className="w-full table-fixed border-collapse text-[13.5px] break-words" data-testid="left-over">
      <thead>
        <tr className="border-b-[1.5px] border-ink text-left text-[12.5px]">
          <th className="w-[34%] py-1 font-semibold">Plug or wire</th>
          <th className="w-[17%] py-1 font-semibold">It is</th>
          <th className="py-1 font-semibold">How it stands</th>
        </tr>
      </thead>
      <tbody>
        {leftOverRows(build).map(({ key, name, told, state, words, remedy }) => (
          <tr
            key={key}
            data-lead={key}
            className={`border-b border-hair align-top ${firstOf(
              [
                [state === 'stop', 'bg-stop-tint'],
                [pick !== undefined && key === picked?.key, 'bg-press'],
              ],
              '',
            )}`}
          >
            <th scope="row" className="py-1.5 pr-2 text-left font-semibold">
              {pick === undefined ? (
                name
              ) : (
                <button
                  type="button"
                  className="text-left text-slate underline max-bench:min-h-11"
                  onClick={() => {
                    pick(key);
                  }}
                >
                  {name}
                </button>
              )}
              <span className="block text-[12.5px] leading-snug font-normal text-ink2">
                {LEFT_OVER_LOOKS[told.work].does}
              </span>
            </th>
            <td className="py-1.5 pr-2">
              {ENDS_WORDS[told.ends]}
              {told.volts !== null && <span className="num block text-[12.5px]">{told.volts} V</span>}
            </td>
            <td className="py-1.5 leading-snug">
              <span className="flex items-start gap-2">
                <StateMark state={state} size={14} />
                <span>
                  {words} <span className="text-ink2">{remedy}</span>
                </span>
              </span>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** What hangs from the controller and the plan joins nothing to. */
export function LeftOverPicture({ data }: { data: WiringData }) {
  const { rows, row, choose, note } = useLeftOver(data);
  const { document } = data;
  const full = rows.length >= MOST_LEFT_OVER;
  return (
    <section aria-label="Plugs left over">
      <PanelHead
        title={
          rows.length === 0
            ? 'Plugs left over at the controller'
            : `${counted(rows.length, 'plug')} left over`
        }
        note="what the plan joins nothing to"
      />
      {rows.length > 0 && <LeftOverTable build={document} picked={row} pick={choose} />}
      <h3 className="head pt-3 text-[14px]">{full ? 'No more are kept.' : 'Note one'}</h3>
      {!full && (
        <ul className="grid grid-cols-2 gap-x-4 max-tablet:grid-cols-1">
          {offeredLeftOver(document).map((work) => (
            <li key={work} className="border-b border-hair">
              <button
                type="button"
                data-note={work}
                className="flex min-h-8 w-full items-baseline gap-1.5 py-1 text-left hover:bg-press max-bench:min-h-11"
                onClick={() => {
                  note(work);
                }}
              >
                <Plus size={12} strokeWidth={1.8} aria-hidden className="shrink-0 translate-y-0.5" />
                <span className="leading-snug">
                  <b className="font-semibold">{LEFT_OVER_NAMES[work]}</b>{' '}
                  <span className="text-[12.5px] text-ink2">{LEFT_OVER_LOOKS[work].looks}</span>
                </span>
              </button>
            </li>
          ))}
        </ul>
      )}
      <p className="pt-2 text-[12.5px] text-ink2">
        Common practice, no source: makers colour and name these as they like. Pack parted before one is cut,
        joined or covered; the bench asks for each of them again.
      </p>
    </section>
  );
}
