import { leaderOf, type SideRow } from '@apple-cart/core';
import { Plus, Printer } from 'lucide-react';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { useDocument } from '../../state/build-store.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { Button } from '../../ui/button.tsx';
import { Menu, MenuItem } from '../../ui/menu.tsx';
import { PanelHead } from '../../ui/panel.tsx';
import { SideHead, SideRows, levelWords, useSideRows, useSideScale } from './side-table.tsx';
import { MOST_SIDES, type Side, type Sides } from './use-contestants.ts';

/** Who leads, in a sentence. */
export function compareFinding(sides: readonly Side[], differ: readonly SideRow[]): string {
  if (sides.length < 2) return 'Put another one beside it';
  const lead = leaderOf(differ);
  if (lead === undefined)
    return differ.length === 0
      ? 'They are alike in everything that is told'
      : 'None leads in most of what differs';
  return `${sides[lead.index]?.name ?? ''} is best or level in ${String(lead.best)} of ${String(lead.of)} that differ`;
}

export function CompareView({ chosen, choose, offered, sides, reading }: Sides) {
  const { money } = useDocument();
  const show = useQuantity();
  const scale = useSideScale(sides);
  const { differ, level, stages } = useSideRows(sides);
  const [all, setAll] = useState(false);
  const [byStage, setByStage] = useState(false);
  return (
    <section aria-label="Side by side" data-testid="compare" className="pt-1">
      <Head sides={sides} differ={differ} offered={offered} chosen={chosen} choose={choose} />
      {reading && (
        <p role="status" className="text-ink2">
          Reading the others…
        </p>
      )}
      <div className="relative overflow-x-auto" tabIndex={0} role="region" aria-label="Comparison">
        <table
          className="w-full table-fixed border-collapse"
          style={{ minWidth: `${String(150 + 190 * Math.max(1, sides.length))}px` }}
        >
          <colgroup>
            <col className="w-[150px]" />
            {sides.map((s) => (
              <col key={s.id} />
            ))}
          </colgroup>
          <thead>
            <tr className="align-bottom [&>td]:px-1.5">
              <th scope="col" className="pb-1 text-left text-[12.5px] font-normal text-ink2">
                <span className="flex items-center gap-1.5">
                  <span className="inline-block h-2 w-5 bg-fine" aria-hidden /> best, underlined
                </span>
                drawn to one scale
                <b className="head block pt-2 text-[14px] text-ink">Differs</b>
              </th>
              {sides.map((s) => (
                <th key={s.id} scope="col" className="px-1.5 pb-1 text-left font-normal" data-side={s.id}>
                  <SideHead
                    side={s}
                    scale={scale}
                    onDrop={
                      sides.length < 2
                        ? undefined
                        : () => {
                            choose(chosen.filter((id) => id !== s.id));
                          }
                    }
                  />
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            <SideRows rows={all ? [...differ, ...level] : differ} currency={money.currency} />
            {byStage && <SideRows rows={stages} currency={money.currency} />}
          </tbody>
        </table>
      </div>
      <div className="flex flex-wrap items-start gap-3 py-2">
        <p className="min-w-[240px] flex-1 text-[13px] leading-snug">
          {level.length > 0 && sides.length > 1 && (
            <>
              <b>The same in all:</b> {levelWords(level, show, money.currency)}.
            </>
          )}
        </p>
        {level.length > 0 && (
          <Button
            kind="quiet"
            aria-pressed={all}
            onClick={() => {
              setAll(!all);
            }}
          >
            {all ? 'Fold what is the same' : 'Show what is the same'}
          </Button>
        )}
        <Button
          kind="quiet"
          aria-pressed={byStage}
          onClick={() => {
            setByStage(!byStage);
          }}
        >
          {byStage ? 'Without the stages' : 'Stage by stage'}
        </Button>
      </div>
      <p className="text-[12.5px] text-ink2">
        Builds are worked out as in the tray, each by its own brief; figures of a ready-made bicycle are those
        of its leaflet, and a “?” is never the best. They are typed under Buy, Against ready-made.
      </p>
    </section>
  );
}

/** What is found, what may be put beside it, and the way to paper. */
function Head({
  sides,
  differ,
  offered,
  chosen,
  choose,
}: Pick<Sides, 'sides' | 'offered' | 'chosen' | 'choose'> & { readonly differ: readonly SideRow[] }) {
  const [params] = useSearchParams();
  const others = offered.filter((o) => !chosen.includes(o.id));
  return (
    <PanelHead title={compareFinding(sides, differ)} note="what differs most stands first">
      <Menu
        align="end"
        trigger={
          <Button disabled={chosen.length >= MOST_SIDES || others.length === 0} data-testid="add-side">
            <Plus size={15} aria-hidden /> Put beside it
          </Button>
        }
      >
        {others.map((o) => (
          <MenuItem
            key={o.id}
            onSelect={() => {
              choose([...chosen, o.id]);
            }}
          >
            <span>
              <b className="font-semibold">{o.name}</b>{' '}
              <span className="text-[12.5px] text-ink2">{o.under}</span>
            </span>
          </MenuItem>
        ))}
      </Menu>
      <Link
        to={`../comparison?${new URLSearchParams({ with: params.get('with') ?? chosen.join(',') }).toString()}`}
        relative="path"
        className="inline-flex h-8 items-center gap-2 border-[1.5px] border-ink bg-field px-3 text-[13px] font-semibold hover:bg-press max-bench:h-11"
      >
        <Printer size={15} strokeWidth={1.6} aria-hidden /> Print
      </Link>
    </PanelHead>
  );
}
