import { useMemo, useState } from 'react';
import { currencySign, moneyText, phraseText, type Ladder } from '@apple-cart/core';
import { ChartPanel } from '../../charts/chart-panel.tsx';
import { ladderChart } from '../../charts/ladder-chart.ts';
import { useChartInk } from '../../charts/use-chart-ink.ts';
import { useBook } from '../../state/rules.ts';
import { useParts } from '../../state/shelf.ts';
import { useSettings } from '../../state/settings-store.ts';
import { useChange } from '../../state/use-quantity.ts';
import { Button } from '../../ui/button.tsx';
import { Studying } from '../../work/studying.tsx';
import { useStudy } from '../../work/use-study.ts';
import { AIM_LOOKS } from './aims.ts';
import type { Gaining } from './use-gains.ts';

/** What the next money gains, and where it stops paying; worked out when it is asked for. */
export function LadderPanel({ gaining }: { gaining: Gaining }) {
  const [open, setOpen] = useState(false);
  const { document, aim } = gaining;
  const parts = useParts();
  const book = useBook();
  const input = useMemo(
    () => (open ? { build: document, parts, book, aim } : undefined),
    [open, document, parts, book, aim],
  );
  const studied = useStudy('ladder', input);
  return (
    <section aria-label="What the next money gains" className="pt-3" data-testid="ladder">
      <Button
        aria-expanded={open}
        className="no-print"
        onClick={() => {
          setOpen(!open);
        }}
      >
        {open ? 'Put the curve away' : 'Draw what the next money gains'}
      </Button>
      {open && (
        <Studying {...studied} waiting="Climbing step by step, each on top of those before it…">
          {(found) => <Curve found={found} currency={document.money.currency} />}
        </Studying>
      )}
    </section>
  );
}

function headline(found: Ladder, currency: string): string {
  if (found.rungs.length === 0) return 'No step gains, within the class and with what fits';
  if (found.rungs.every((r) => r.unpriced && r.stepCost <= 0)) return 'What the steps cost is not known yet';
  const { stopsAt } = found;
  const last = stopsAt === undefined ? undefined : found.rungs[stopsAt - 1];
  if (stopsAt === undefined || last === undefined) return 'Every step on the shelf still pays alike';
  return `Beyond ${moneyText(last.cost, currency)} money gains less`;
}

function Curve({ found, currency }: { found: Ladder; currency: string }) {
  const ink = useChartInk();
  const system = useSettings((state) => state.units);
  const change = useChange();
  const { unit } = AIM_LOOKS[found.aim];
  const text = (value: number): string => change(value, unit, 1)?.text ?? '0';
  const option = useMemo(
    () => ladderChart({ found, unit, sign: currencySign(currency), system }, ink),
    [found, unit, currency, system, ink],
  );
  return (
    <>
      <ChartPanel
        title={headline(found, currency)}
        note="the best step for its money, then the next on top of it"
        name="what the next money gains"
        summary={found.rungs
          .map((r) => `${phraseText(r.what, system)}: ${text(r.gain)} for ${moneyText(r.cost, currency)}`)
          .join('; ')}
        option={option}
        table={{
          columns: [
            { name: 'Step' },
            { name: 'Cost in all', digits: 0 },
            { name: `Gained in all, ${unit}`, digits: 2 },
            { name: `This step, ${unit}`, digits: 2 },
          ],
          rows: found.rungs.map((r, i) => [
            `${phraseText(r.what, system)}${r.noIdea.length > 0 ? ', and more without a known price' : ''}${found.stopsAt !== undefined && i >= found.stopsAt ? ' (does not pay)' : ''}`,
            r.cost,
            r.gain,
            r.stepGain,
          ]),
        }}
      />
      <ol className="grid gap-x-6 text-[13.5px] tablet:grid-cols-2" data-testid="rungs">
        {found.rungs.map((r, i) => (
          <li key={r.id} className="flex items-baseline gap-2 border-b border-hair py-1">
            <span className="grid size-[18px] shrink-0 place-items-center border-[1.5px] border-ink font-head text-[12px] font-bold">
              {i + 1}
            </span>
            <span className="min-w-0 flex-1">
              {phraseText(r.what, system)}
              {found.stopsAt !== undefined && i >= found.stopsAt && (
                <span className="text-ink2">, pays less</span>
              )}
              {r.unpriced && r.stepCost > 0 && (
                <span className="text-ink2">, and more without a known price</span>
              )}
            </span>
            <span className="num whitespace-nowrap">
              {text(r.stepGain)} for{' '}
              {r.unpriced && r.stepCost <= 0 ? 'a price not known' : moneyText(r.stepCost, currency)}
            </span>
          </li>
        ))}
      </ol>
      <p className="py-1.5 text-[12.5px] text-ink2">
        Each step is reckoned on top of those before it, as one build; a later one may take the place of an
        earlier of its kind. It pays less where its money gains less than that of the whole ladder. Steps that
        leave the class, do not fit or overload a link are not taken.
      </p>
    </>
  );
}
