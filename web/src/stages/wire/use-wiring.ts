import {
  NOTHING_MEASURED,
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

/** A half as it is stored: what was usual becomes what somebody looked at. */
export const storedPort = ({ plug, sex, pins, tailMm, tailMm2 }: Port): PortDocument => ({
  plug,
  sex,
  pins: pins.map((p) => ({ ...p })),
  tailMm,
  tailMm2,
});

/** Both halves of a cable as they usually are. */
export const usualHalves = ({ spec, from, to }: Cable): Readonly<Record<string, PortDocument>> => ({
  [from.key]: usualPort(spec.set, spec.plug, spec.from.sex, false),
  [to.key]: usualPort(spec.set, spec.plug, spec.to.sex, true),
});

export const measuredOf = (document: BuildDocument, key: string): CableDocument =>
  document.harness.cables[key] ?? NOTHING_MEASURED;

/** The harness of the open build, and the cable in hand by the address. */
export function useWiring(): WiringData {
  const { document, verdict } = useStage();
  const edit = useBuild((state) => state.edit);
  const [params, setParams] = useSearchParams();
  const { wiring } = verdict;
  const wire = wiring.wires.find((w) => w.cable.key === params.get('cable')) ?? wiring.wires[0];
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
