import { faced, type Wiring } from '@apple-cart/core';
import type { ElkNode } from 'elkjs/lib/elk-api.js';
import { useEffect, useMemo, useRef, useState } from 'react';
import { laidOut } from './layout.ts';

/** A harness laid out in a worker, anew only when its drawing changes. */
export function useLayout(wiring: Wiring): { readonly graph?: ElkNode; readonly why?: string } {
  const [state, setState] = useState<{ readonly graph?: ElkNode; readonly why?: string }>({});
  const shape = useMemo(
    () =>
      JSON.stringify([
        wiring.components.map(({ note }) => note !== ''),
        wiring.wires.map(({ cable, devices }) => [
          cable.key,
          cable.from.pins.length,
          cable.to.pins.length,
          cable.spec.adapter === true ? faced(cable) : 0,
          devices.length,
        ]),
      ]),
    [wiring],
  );
  const latest = useRef(wiring);
  useEffect(() => {
    latest.current = wiring;
  }, [wiring]);
  useEffect(() => {
    let gone = false;
    laidOut(latest.current)
      .then((graph) => {
        if (!gone) setState({ graph });
      })
      .catch((problem: unknown) => {
        if (!gone)
          setState({
            why: problem instanceof Error ? problem.message : 'The diagram could not be laid out.',
          });
      });
    return () => {
      gone = true;
    };
  }, [shape]);
  return state;
}
