import { useEffect, useRef, useState } from 'react';
import { useSimulated } from '../../state/simulated.ts';

interface Meter {
  /** Readings are coming in. */
  readonly live: boolean;
  /** Why none came; empty while all is well. */
  readonly trouble: string;
  readonly start: () => void;
  readonly stop: () => void;
}

/** A simulated meter on a hold point: its readings come in as a stream until it is held or has said enough. */
export function useMeter(
  build: string,
  point: string,
  onReading: (readings: readonly number[]) => void,
): Meter {
  const { fault, seed, set } = useSimulated();
  const [live, setLive] = useState(false);
  const [trouble, setTrouble] = useState('');
  const source = useRef<EventSource>(undefined);
  const latest = useRef(onReading);
  useEffect(() => {
    latest.current = onReading;
  });
  const stop = (): void => {
    source.current?.close();
    source.current = undefined;
    setLive(false);
  };
  useEffect(
    () => () => {
      source.current?.close();
    },
    [],
  );
  const start = (): void => {
    stop();
    setTrouble('');
    const query = new URLSearchParams({ point, fault, seed: String(seed) });
    set({ seed: seed + 1 });
    const events = new EventSource(
      `/api/builds/${encodeURIComponent(build)}/instruments/measure?${query.toString()}`,
    );
    source.current = events;
    setLive(true);
    events.onmessage = (event: MessageEvent<string>) => {
      const said = JSON.parse(event.data) as { readonly readings?: readonly number[] };
      if (said.readings !== undefined) latest.current(said.readings);
    };
    events.addEventListener('end', stop);
    events.onerror = () => {
      stop();
      setTrouble('The simulated meter does not measure this, or the server is not reached.');
    };
  };
  return { live, trouble, start, stop };
}
