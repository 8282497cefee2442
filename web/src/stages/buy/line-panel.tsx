import {
  arrivalOf,
  askedOfUsed,
  counted,
  counts,
  fitsOf,
  isSecondHand,
  moneyText,
  partsFor,
  phraseText,
  type BuildDocument,
  type Part,
  type Row,
  type Said,
  type Verdict,
} from '@apple-cart/core';
import { useMemo, type ReactNode } from 'react';
import { DateField } from '../../fields/date-field.tsx';
import { TextField } from '../../fields/text-field.tsx';
import { YesNoField } from '../../fields/choice-field.tsx';
import { useSettings } from '../../state/settings-store.ts';
import { useParts } from '../../state/shelf.ts';
import { Button } from '../../ui/button.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { STATE_WORD, StateMark } from '../../ui/state-mark.tsx';

const Block = ({ title, children }: { title: string; children: ReactNode }) => (
  <section className="mb-4">
    <h3 className="head border-b-[1.5px] border-ink pb-1 text-[14px]">{title}</h3>
    {children}
  </section>
);

type Line = NonNullable<Row['line']>;

/** Components of the harness that a line is, of the pack that it is of: their plugs have to fit as well. */
const COMPONENTS: Readonly<Record<string, readonly string[]>> = {
  motor: ['motor', 'motor-2'],
  pack: ['pack'],
  charger: ['charger'],
  controller: ['controller'],
  'second-controller': ['controller-2'],
  'programming-lead': ['programmer'],
  display: ['display'],
  throttle: ['throttle'],
  'assist-sensor': ['assist'],
  'brake-sensors': ['brake-front', 'brake-rear'],
  'shift-sensor': ['shift'],
  'speed-sensor': ['speed'],
  key: ['key'],
  converter: ['converter'],
  combiner: ['combiner'],
  'light-cells': ['light-cells'],
};

const componentsOf = ({ rule, pack = 0 }: Line): readonly string[] | undefined =>
  COMPONENTS[rule]?.map((id) => (pack === 0 ? id : `${id}-${String(pack + 1)}`));

/** How the plugs of a line stand, as the wiring stage has them. */
function Plugs({ line, verdict }: { line: Line; verdict: Verdict }) {
  const parts = componentsOf(line) ?? [];
  const wires = verdict.wiring.wires.filter(
    ({ cable }) => parts.includes(cable.fromComponent) || parts.includes(cable.toComponent),
  );
  return wires.map(({ cable, plug, plugState }) => (
    <div key={cable.key} className="flex items-start gap-2.5 border-b border-hair py-1.5">
      <StateMark state={plugState} size={15} />
      <p className="min-w-0 flex-1 leading-snug">
        <b className="font-semibold">
          P{cable.number}, {cable.carries}
        </b>{' '}
        <span className="text-ink2">
          {cable.from.plug}, {cable.from.sex} to {cable.to.sex}
        </span>
        <span className="block text-[12.5px] text-ink2">
          {plug[0]?.words ?? 'Both halves were looked at, and match.'}
        </span>
      </p>
    </div>
  ));
}

/** The checks that say whether it fits together with the rest, and what the build leaves open. */
function Fits({ row, verdict }: { row: Row; verdict: Verdict }) {
  const system = useSettings((state) => state.units);
  const { line } = row;
  const { study } = verdict;
  const found = useMemo(() => (line === undefined ? [] : fitsOf(line, study)), [line, study]);
  if (line === undefined) return null;
  return (
    <Block title="Fits together?">
      {found.map((check) => (
        <div key={check.id} className="flex items-start gap-2.5 border-b border-hair py-1.5">
          <StateMark state={check.state} size={15} />
          <p className="min-w-0 flex-1 leading-snug">
            <b className="font-semibold">{check.title}</b>{' '}
            <span className="text-ink2">{STATE_WORD[check.state]}</span>
            <span className="block text-[12.5px] text-ink2">{phraseText(check.why, system)}</span>
          </p>
        </div>
      ))}
      <Plugs line={line} verdict={verdict} />
      {line.ask !== '' && (
        <div className="flex items-start gap-2.5 border-b border-hair py-1.5">
          <StateMark state="unknown" size={15} />
          <p className="leading-snug">{line.ask}</p>
        </div>
      )}
      {found.length === 0 && line.ask === '' && componentsOf(line) === undefined && (
        <p className="border-b border-hair py-1.5 text-ink2">
          Nothing that a check could say: hold it against the old one.
        </p>
      )}
    </Block>
  );
}

/** What is looked at before it is paid for or fitted: the bench asks for the same. */
function AsItComes({ row, verdict }: { row: Row; verdict: Verdict }) {
  const { rows } = verdict.list;
  const used = isSecondHand(row, rows);
  const items = row.line === undefined ? [] : arrivalOf(row.line.rule, used);
  const asked = askedOfUsed(row, rows, verdict.known);
  if (items.length === 0 || row.broughtBy === 'donor') return null;
  return (
    <Block title={used ? 'Second-hand: before it is paid for' : 'When it comes'}>
      <ul className="list-disc border-b border-hair py-1.5 pl-5 leading-snug" data-testid="as-it-comes">
        {items.map((item) => (
          <li key={item}>{item}</li>
        ))}
      </ul>
      {asked !== '' && (
        <div className="flex items-start gap-2.5 border-b border-hair py-1.5">
          <StateMark state="unknown" size={15} />
          <p className="leading-snug">{asked}</p>
        </div>
      )}
    </Block>
  );
}

/** What a part of the shelf says of a line, for all its pieces. */
function saidBy(part: Part, row: Row, build: BuildDocument): Said {
  const inSecond =
    part.currency !== build.money.currency && part.currency === build.purchase.second?.currency;
  const priced = inSecond || part.currency === build.money.currency;
  return {
    price: priced && part.price !== null ? Math.round(part.price * row.quantity * 100) / 100 : null,
    inSecond: priced && inSecond,
    leadDays: part.leadDays,
    supplier: part.maker,
    note: part.name.slice(0, 160),
  };
}

/** Parts of the shelf that can be bought for a line. */
function FromShelf({ row, build, onSay }: { row: Row; build: BuildDocument; onSay: (said: Said) => void }) {
  const shelf = useParts();
  const { line } = row;
  if (line === undefined || row.broughtBy !== undefined) return null;
  const parts = partsFor(shelf)(line);
  return (
    <Block title="On the shelf">
      {parts.length === 0 && (
        <p className="border-b border-hair py-1.5 text-ink2">
          Nothing for this line yet. A small part on the shelf names the line that it is for
          {line.kind === '' ? '' : `: ${line.kind}`}.
        </p>
      )}
      <ul>
        {parts.map((part) => (
          <li key={part.id} className="flex items-center gap-3 border-b border-hair py-1.5">
            <span className="min-w-0 flex-1 leading-snug">
              {part.name}{' '}
              <span className="text-[12.5px] text-ink2">
                {part.maker}
                {part.leadDays === null ? '' : `, ${counted(part.leadDays, 'day')}`}
              </span>
            </span>
            <span className="num text-[13px] whitespace-nowrap">
              {part.price === null ? '–' : moneyText(part.price, part.currency, 2)}
              {part.priceTo === null ? '' : ` to ${moneyText(part.priceTo, part.currency, 2)}`}
            </span>
            <Button
              aria-label={`Take: ${part.name}`}
              onClick={() => {
                onSay(saidBy(part, row, build));
              }}
            >
              Take
            </Button>
          </li>
        ))}
      </ul>
    </Block>
  );
}

/** The working of a line: why it is there, whether it fits, where it can be had, and what is said of its order. */
export function LinePanel({
  row,
  document,
  verdict,
  onSay,
  onClose,
}: {
  row: Row;
  document: BuildDocument;
  verdict: Verdict;
  onSay: (said: Said) => void;
  onClose: () => void;
}) {
  const system = useSettings((state) => state.units);
  const { line, said } = row;
  const { second } = document.purchase;
  return (
    <Dialog
      open
      onClose={onClose}
      place="side"
      title={line === undefined ? row.what : phraseText(line.what, system)}
      description={
        line === undefined
          ? 'Added by hand.'
          : 'Why it is there, whether it fits, where it can be had, and what is said of its order.'
      }
    >
      {line !== undefined && (
        <Block title="Why it is on the list">
          <p className="border-b border-hair py-1.5 leading-snug">{phraseText(line.why, system)}.</p>
          <p className="border-b border-hair py-1.5 text-[13px] leading-snug text-ink2">
            Rule “{line.rule}”, {line.origin}. {line.quantity} asked for
            {line.quantity === row.quantity ? '' : `, ${String(row.quantity)} beside what comes in a box`}.
          </p>
        </Block>
      )}
      <Fits row={row} verdict={verdict} />
      <AsItComes row={row} verdict={verdict} />
      <FromShelf row={row} build={document} onSay={onSay} />
      {counts(row) && (
        <Block title="The order">
          {row.broughtBy === undefined && (
            <YesNoField
              label="Bought"
              value={said.secondHand}
              yes="second-hand"
              no="new"
              onChange={(secondHand) => {
                onSay({ secondHand });
              }}
            />
          )}
          <DateField
            label="Ordered on"
            value={said.orderedOn}
            onChange={(orderedOn) => {
              onSay({ orderedOn });
            }}
          />
          <DateField
            label="Promised for"
            value={said.expectedOn}
            onChange={(expectedOn) => {
              onSay({ expectedOn });
            }}
          />
          {second !== null && (
            <YesNoField
              label="Priced in"
              value={said.inSecond}
              yes={second.currency}
              no={document.money.currency}
              onChange={(inSecond) => {
                onSay({ inSecond });
              }}
            />
          )}
          <TextField
            label="Note"
            value={said.note}
            max={160}
            onChange={(note) => {
              onSay({ note });
            }}
          />
          <TextField
            label="Where"
            value={said.link}
            max={300}
            placeholder="address, article number"
            onChange={(link) => {
              onSay({ link });
            }}
          />
        </Block>
      )}
    </Dialog>
  );
}
