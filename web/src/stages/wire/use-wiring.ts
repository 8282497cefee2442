import {
  NOTHING_MEASURED,
  restAsUsual,
  usualPort,
  type BuildDocument,
  type Cable,
  type CableDocument,
  type HarnessDocument,
  type Port,
  type PortDocument,
  type Wire,
  type Wiring,
} from '@apple-cart/core';
import { useState } from 'react';
import { useSearchParams } from 'react-router';
import { useBuild } from '../../state/build-store.ts';
import { useStage } from '../parts/use-stage.ts';

export interface WiringData {
  readonly document: BuildDocument;
  readonly wiring: Wiring;
  /** The cable in hand. */
  readonly wire: Wire | undefined;
  readonly choose: (key: string) => void;
  readonly change: (
    change: (now: HarnessDocument) => Partial<HarnessDocument>,
    label: string,
    key?: string,
  ) => void;
}

/** Pins of a half for whoever says something of one of them: what nobody has looked at stays unknown. */
export const pinsToSay = (port: Port): PortDocument['pins'] =>
  port.seen
    ? port.pins.map((p) => ({ ...p }))
    : port.usual.map(() => ({ work: 'unknown' as const, colour: '' as const }));

/** Both halves of a cable as they usually are, but for what is said of them. */
export const halvesAsUsual = ({ spec, from, to }: Cable): Readonly<Record<string, PortDocument>> => ({
  [from.key]: restAsUsual(from.said, usualPort(spec.set, spec.plug, spec.from.sex, false)),
  [to.key]: restAsUsual(to.said, usualPort(spec.set, spec.plug, spec.to.sex, true)),
});

export const measuredOf = (document: BuildDocument, key: string): CableDocument =>
  document.harness.cables[key] ?? NOTHING_MEASURED;

/** The harness of the open build, and the cable in hand by the address. */
export function useWiring(): WiringData {
  const { document, verdict } = useStage();
  const edit = useBuild((state) => state.edit);
  const [params, setParams] = useSearchParams();
  const { wiring } = verdict;
  // Who comes without a cable in hand finds the one that is amiss, and keeps it when it is mended.
  const [amiss] = useState(() => wiring.wires.find((w) => w.plugState === 'stop')?.cable.key);
  const wire = wiring.wires.find((w) => w.cable.key === (params.get('cable') ?? amiss)) ?? wiring.wires[0];
  return {
    document,
    wiring,
    wire,
    choose: (key) => {
      const next = new URLSearchParams(params);
      next.set('cable', key);
      setParams(next, { replace: true });
    },
    change: (change, label, key) => {
      edit((d) => ({ ...d, harness: { ...d.harness, ...change(d.harness) } }), label, key);
    },
  };
}
