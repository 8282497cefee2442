import type { Row } from '@apple-cart/core';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import { FieldGroup } from '../../fields/field-group.tsx';
import { useBuild } from '../../state/build-store.ts';
import { Button } from '../../ui/button.tsx';
import { Caution } from '../../ui/caution.tsx';
import { Stage } from '../parts/stage.tsx';
import { useStage } from '../parts/use-stage.ts';
import { LedgerView } from './ledger-view.tsx';
import { LinesTable } from './lines-table.tsx';
import { usePurchase, type Purchasing } from './use-purchase.ts';

/** So many are named. */
const FIRST = 3;

/** What takes longest to come is ordered first. */
function FirstToOrder({ rows, say }: Purchasing) {
  const slow = rows
    .filter(
      (r) => r.state === 'needed' && r.from !== 'gone' && r.said.leadDays !== null && r.said.leadDays > 0,
    )
    .sort((a, b) => (b.said.leadDays ?? 0) - (a.said.leadDays ?? 0))
    .slice(0, FIRST);
  const longest = slow[0]?.said.leadDays ?? 1;
  const open = rows.filter(
    (r) => r.state === 'needed' && r.from !== 'gone' && r.said.leadDays === null,
  ).length;
  const order = (row: Row): void => {
    say(row, { state: 'ordered', orderedOn: new Date().toLocaleDateString('sv-SE') });
  };
  return (
    <FieldGroup title="First to order" note="the longest wait decides the day">
      {slow.map((row, i) => (
        <div key={row.key} className="border-b border-hair py-1.5">
          <div className="flex items-center gap-2.5">
            <b className="head text-[16px]">{i + 1}</b>
            <span className="min-w-0 flex-1 leading-snug">{row.what}</span>
            <span className="num text-[13.5px] whitespace-nowrap">{row.said.leadDays} days</span>
            <Button
              kind="quiet"
              className="no-print h-7! max-bench:h-11!"
              aria-label={`Ordered: ${row.what}`}
              onClick={() => {
                order(row);
              }}
            >
              Ordered
            </Button>
          </div>
          <span
            className="mt-1 block h-1.5 bg-ink"
            style={{ width: `${String((100 * (row.said.leadDays ?? 0)) / longest)}%` }}
          />
        </div>
      ))}
      {slow.length === 0 && (
        <p className="border-b border-hair py-1.5 text-[13px] text-ink2">
          Type the days that each takes to come: the longest wait stands here.
        </p>
      )}
      {slow.length > 0 && open > 0 && (
        <p className="py-1 text-[12.5px] text-ink2">{open} more have no days yet.</p>
      )}
    </FieldGroup>
  );
}

/** A line that no rule makes. */
function AddLine() {
  const edit = useBuild((state) => state.edit);
  const [what, setWhat] = useState('');
  const name = what.trim();
  return (
    <form
      className="no-print flex items-center gap-2 py-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (name === '') return;
        edit((d) => {
          const taken = new Set(d.purchase.added.map((one) => one.key));
          const number =
            Array.from({ length: 101 }, (_, i) => i + 1).find((n) => !taken.has(`added/${String(n)}`)) ?? 1;
          return {
            ...d,
            purchase: {
              ...d.purchase,
              added: [
                ...d.purchase.added,
                {
                  key: `added/${String(number)}`,
                  what: name,
                  quantity: 1,
                  state: null,
                  price: null,
                  supplier: '',
                  note: '',
                  leadDays: null,
                  orderedOn: '',
                  reason: '',
                },
              ],
            },
          };
        }, 'line added');
        setWhat('');
      }}
    >
      <input
        aria-label="What else is needed"
        placeholder="what else?"
        maxLength={120}
        value={what}
        onChange={(event) => {
          setWhat(event.target.value);
        }}
        className="h-8 min-w-0 flex-1 border-b border-ink3 bg-field px-2 max-bench:h-11"
      />
      <Button type="submit" disabled={name === ''}>
        <Plus size={15} strokeWidth={1.8} aria-hidden /> Add a line
      </Button>
    </form>
  );
}

/** What the build needs down to the last washer, where each thing is, and what it all costs. */
export function BuyStage() {
  const { verdict } = useStage();
  const purchase = usePurchase();
  const stage = verdict.stages.find((s) => s.id === 'buy');
  const { rows, ledger } = purchase;
  const any = rows.some((r) => r.from === 'build');
  return (
    <Stage
      id="buy"
      stamp={{
        state: stage?.state ?? 'unknown',
        word: any ? `${String(ledger.open)} to buy` : 'No list yet',
        under: ledger.unpriced === 0 ? 'all priced' : `${String(ledger.unpriced)} without a price`,
      }}
      inputs={
        <>
          <LedgerView {...purchase} />
          <FirstToOrder {...purchase} />
          <FieldGroup title="By hand">
            <AddLine />
          </FieldGroup>
          <Caution>
            Cells and packs only from who names their maker and tests them; chargers marked for your mains.
            Data sheets and local codes decide.
          </Caution>
        </>
      }
      picture={
        any ? (
          <LinesTable {...purchase} />
        ) : (
          <p className="py-3 text-ink2">Choose a motor and a pack: the list is worked out from them.</p>
        )
      }
    />
  );
}
