import { useEffect, useRef, useState } from 'react';
import { newRide, type Ground, type LogColumns, type RideKind, type RideRecord } from '@apple-cart/core';
import {
  logProgress,
  type BadRow,
  type BadRows,
  type LogProgress,
  type LogTaken,
} from '@apple-cart/contracts';
import { readLogHead, type LogHead } from '../../files/log-head.ts';
import { ApiError, api } from '../../state/api.ts';
import { rememberedColumns, useLogColumns } from '../../state/log-columns.ts';
import { logsHaveGrown } from '../../state/logs.ts';
import { newKey } from '../../state/new-key.ts';
import { usePeople } from '../../state/people.ts';
import { recordsHaveGrown } from '../../state/records.ts';
import { today } from '../../state/today.ts';
import type { Road } from './use-road.ts';

/** What is known of the day beside the file. */
export interface LogDay {
  readonly kind: RideKind;
  readonly on: string;
  readonly route: string;
  readonly title: string;
  /** m/s; null where nobody noted it. */
  readonly wind: number | null;
  readonly ground: Ground;
}

export type ImportStage =
  | { readonly at: 'choose' }
  | { readonly at: 'look'; readonly file: File; readonly head: Exclude<LogHead, { kind: 'refused' }> }
  | { readonly at: 'send'; readonly file: File; readonly progress: LogProgress }
  | { readonly at: 'taken'; readonly taken: LogTaken };

export interface ImportTrouble {
  readonly words: string;
  readonly bad: readonly BadRow[];
}

const rideOf = (day: LogDay, file: File, planVersion: number, who: string): RideRecord =>
  newRide({
    kind: day.kind,
    on: day.on,
    title: day.title,
    route: day.route,
    planVersion,
    windMs: day.wind,
    ground: day.ground,
    note: file.name.slice(0, 200),
    who: who.trim(),
  });

/** A file on its way in: looked at, sent, told how far it is, stopped. */
export function useImport(road: Road, onDone: (key: string) => void) {
  const [stage, setStage] = useState<ImportStage>({ at: 'choose' });
  const [columns, setColumns] = useState<LogColumns>();
  const [bad, setBad] = useState<BadRows>('refuse');
  const [trouble, setTrouble] = useState<ImportTrouble>();
  const [day, setDay] = useState<LogDay>({
    kind: 'everyday',
    on: today(),
    route: '',
    title: '',
    wind: null,
    ground: 'dry',
  });
  const { who, remember } = usePeople();
  const running = useRef<{ readonly key: string; readonly ends: AbortController }>(undefined);
  useEffect(
    () => () => {
      running.current?.ends.abort();
    },
    [],
  );
  const look = async (file: File): Promise<void> => {
    setTrouble(undefined);
    const head = await readLogHead(file);
    if (head.kind === 'refused') {
      setTrouble({ words: `${file.name} cannot be used. ${head.why}`, bad: [] });
      return;
    }
    if (head.kind === 'table')
      setColumns(
        rememberedColumns(head.heads) ??
          head.guess ?? {
            separator: head.separator,
            decimal: '.',
            heads: 1,
            time: { column: 0, as: 's' },
            channels: [],
          },
      );
    setDay({ ...day, on: new Date(file.lastModified).toLocaleDateString('sv-SE') });
    setStage({ at: 'look', file, head });
  };
  const send = async (file: File, head: Exclude<LogHead, { kind: 'refused' }>): Promise<void> => {
    const key = newKey();
    const ends = new AbortController();
    running.current = { key, ends };
    setTrouble(undefined);
    setStage({ at: 'send', file, progress: { state: 'waiting', rows: 0, bytes: 0 } });
    remember(who);
    if (head.kind === 'table' && columns !== undefined)
      useLogColumns.getState().remember(head.heads, columns);
    const events = new EventSource(api.logs.progress(road.build, key));
    events.onmessage = (event: MessageEvent<string>) => {
      const read = logProgress.safeParse(JSON.parse(event.data));
      if (read.success) setStage((now) => (now.at === 'send' ? { ...now, progress: read.data } : now));
    };
    events.addEventListener('end', () => {
      events.close();
    });
    try {
      const about = {
        columns: head.kind === 'table' ? columns : null,
        ride: rideOf(day, file, road.planVersion, who),
        bad,
      };
      const taken = await api.logs.takeIn(road.build, key, about, file, ends.signal);
      await Promise.all([logsHaveGrown(road.build), recordsHaveGrown(road.build)]);
      if (taken.skipped > 0) setStage({ at: 'taken', taken });
      else onDone(key);
    } catch (problem) {
      const refused = problem instanceof ApiError ? problem : undefined;
      setTrouble({
        words: refused?.message ?? 'It was stopped. Nothing was stored.',
        bad: refused?.bad ?? [],
      });
      setStage({ at: 'look', file, head });
    } finally {
      events.close();
      running.current = undefined;
    }
  };
  const stop = (): void => {
    const now = running.current;
    if (now === undefined) return;
    void api.logs.stop(road.build, now.key).catch(() => {
      now.ends.abort();
    });
  };
  return { stage, columns, setColumns, bad, setBad, trouble, day, setDay, who, look, send, stop };
}
