import type { PinWork, PortDocument } from '../../document/harness.ts';
import type { Cable } from './components.ts';
import { agrees } from './works.ts';

/**
 * The pin of the far half that each pin of the near one is joined to, from 0; undefined where it is joined to none. An adapter joins
 * like to like, each pin once; without one they meet in the order of their numbers.
 */
export function faced({
  from,
  to,
  spec,
}: Pick<Cable, 'from' | 'to' | 'spec'>): readonly (number | undefined)[] {
  if (spec.adapter !== true) return from.pins.map((_, i) => (i < to.pins.length ? i : undefined));
  const free = new Set(to.pins.map((_, i) => i));
  return from.pins.map(({ work }) => {
    const match = [...free].find((i) => isKnown(work) && agrees(work, to.pins[i]?.work ?? 'unknown'));
    if (match !== undefined) free.delete(match);
    return match;
  });
}

const isKnown = (work: PinWork): boolean => work !== 'unknown' && work !== 'none';

/** The far half as it stands behind an adapter: in the order of the near one, in its family, to be pushed on. */
export function behindAdapter<C extends Pick<Cable, 'from' | 'to' | 'spec'>>(cable: C): C {
  if (cable.spec.adapter !== true) return cable;
  const { from, to } = cable;
  const pins = faced(cable).map((i): PortDocument['pins'][number] => {
    const pin = i === undefined ? undefined : to.pins[i];
    return pin === undefined ? { work: 'none', colour: '' } : { ...pin };
  });
  const mates = { pins: 'sockets', sockets: 'pins', bare: 'bare', unknown: 'unknown' } as const;
  return { ...cable, to: { ...to, pins, plug: from.plug, sex: mates[from.sex] } };
}

/** Pins that an adapter leaves alone although something is known to be on them, from 1: of the near half, and of the far one. */
export function leftAlone(cable: Pick<Cable, 'from' | 'to' | 'spec'>): {
  readonly from: readonly number[];
  readonly to: readonly number[];
} {
  const map = faced(cable);
  const used = new Set(map);
  return {
    from: cable.from.pins.flatMap(({ work }, i) => (isKnown(work) && map[i] === undefined ? [i + 1] : [])),
    to: cable.to.pins.flatMap(({ work }, i) => (isKnown(work) && !used.has(i) ? [i + 1] : [])),
  };
}
