// @vitest-environment happy-dom
import { act, cleanup, renderHook } from '@testing-library/react';
import { QueryClientProvider } from '@tanstack/react-query';
import { createElement, type ReactNode } from 'react';
import { afterEach, describe, expect, it } from 'vitest';
import {
  evaluate,
  newBuild,
  shippedRules,
  type FaultRecord,
  type Kept,
  type StageVerdict,
  type State,
} from '@apple-cart/core';
import { useOnTrial } from '../state/on-trial.ts';
import { queryClient } from '../state/query-client.ts';
import { useRoadRange } from '../state/road-range.ts';
import { openBuild } from '../test/build-stand.ts';
import { useStageRows } from './use-stage-rows.ts';

openBuild();
afterEach(() => {
  cleanup();
  useRoadRange.setState({ range: undefined });
  useOnTrial.setState({ trials: {} });
});

/** A build that goes far enough on a level road. */
const verdict = evaluate(newBuild('Build'), shippedRules());
const withRange = (state: State) => ({
  ...verdict,
  stages: verdict.stages.map((s): StageVerdict => (s.id === 'range' ? { ...s, state, words: 'level' } : s)),
});
const shown = (state: State) => {
  const judged = withRange(state);
  const { result } = renderHook(() => useStageRows(judged), {
    wrapper: ({ children }: { children: ReactNode }) =>
      createElement(QueryClientProvider, { client: queryClient }, children),
  });
  return (id: StageVerdict['id']) => result.current.find((s) => s.id === id);
};
const ridden = (state: State): void => {
  act(() => {
    useRoadRange.setState({ range: { words: '37 km on Orchard lanes', state } });
  });
};

describe('the work order', () => {
  it('counts the road that was chosen as the tray does, where it is worse than a level one', () => {
    const stage = shown('fine');
    expect(stage('range')).toMatchObject({ state: 'fine', words: 'level' });
    ridden('stop');
    expect(stage('range')).toMatchObject({ state: 'stop', words: '37 km on Orchard lanes' });
    ridden('look');
    expect(stage('range')?.state).toBe('look');
    ridden('fine');
    expect(stage('range')).toMatchObject({ state: 'fine', words: 'level' });
  });

  it('never makes a stage better by a road', () => {
    const stage = shown('stop');
    ridden('fine');
    expect(stage('range')).toMatchObject({ state: 'stop', words: 'level' });
  });

  it('names what is on trial, whatever else stands there', () => {
    const stage = shown('fine');
    act(() => {
      useOnTrial.setState({
        trials: {
          one: { what: 'Ring 38 to 34 T' } as ReturnType<typeof useOnTrial.getState>['trials'][string],
        },
      });
    });
    expect(stage('change')).toMatchObject({ state: 'look', words: 'on trial: Ring 38 to 34 T' });
    expect(stage('change')?.begun).toBe(true);
  });

  it('has an open fault stand before how the plan was ridden, until it is cured', () => {
    const fault = (key: string, more: Partial<FaultRecord>): Kept<'fault'> => ({
      key,
      kind: 'fault',
      seq: 1,
      at: '2026-03-02T10:00:00Z',
      parent: null,
      data: {
        on: '2026-03-02',
        who: 'L. Ladder',
        symptom: 'jerks',
        told: '',
        answers: [],
        cause: 'open',
        cure: '',
        km: null,
        paid: null,
        planVersion: 1,
        corrects: null,
        ...more,
      },
    });
    const has = (...records: readonly Kept<'fault'>[]): void => {
      act(() => {
        queryClient.setQueryData(['records', 'one'], { records, broken: [] });
      });
    };
    const planned = verdict.stages.find((s) => s.id === 'road');
    has(fault('a', {}));
    expect(shown('fine')('road')).toMatchObject({ state: 'look', words: 'a fault not found yet' });
    has(fault('a', {}), fault('b', { symptom: 'noise' }));
    expect(shown('fine')('road')?.words).toBe('2 faults not found yet');
    has(fault('a', {}), fault('c', { cause: 'motor-plug', cure: 'plug replaced', corrects: 'a' }));
    expect(shown('fine')('road')).toMatchObject({ state: planned?.state, words: planned?.words });
    queryClient.removeQueries({ queryKey: ['records', 'one'] });
  });

  it('leaves every other stage as the plan has it', () => {
    const stage = shown('fine');
    ridden('stop');
    for (const { id, state, words } of verdict.stages)
      if (id !== 'range') expect(stage(id)).toMatchObject({ state, words });
  });
});
