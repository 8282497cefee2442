import { faced, worksOf, type Wire } from '@apple-cart/core';
import { Tick } from './colours.tsx';
import type { WiringData } from './use-wiring.ts';

/** An adapter, pin by pin: both old plugs stay as they are. */
export function AdapterTable({ data, wire }: { data: WiringData; wire: Wire }) {
  const { cable } = wire;
  const works = worksOf(data.wiring.pack);
  return (
    <section aria-label="Adapter" className="pt-3" data-testid="adapter">
      <h3 className="head border-b-[1.5px] border-ink pb-1 text-[14px]">Adapter</h3>
      <p className="py-1 text-[12.5px] text-ink2">
        A short lead with a half for {cable.from.plug === '' ? 'the one plug' : cable.from.plug} on one end
        and for {cable.to.plug === '' ? 'the other' : cable.to.plug} on the other: both old plugs stay usable.
      </p>
      <ul className="text-[13px]">
        {faced(cable).map((to, i) => (
          <li key={i} className="flex items-center gap-2 border-b border-hair py-1">
            <b className="num w-14 font-semibold">
              {i + 1} to {to === undefined ? '–' : to + 1}
            </b>
            <Tick colour={cable.from.pins[i]?.colour ?? ''} />
            {works[cable.from.pins[i]?.work ?? 'unknown'].name}
            <span className="text-ink2">{to === undefined ? 'goes nowhere: insulate it' : 'to'}</span>
            {to !== undefined && (
              <>
                <Tick colour={cable.to.pins[to]?.colour ?? ''} />
                {works[cable.to.pins[to]?.work ?? 'unknown'].name}
              </>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
