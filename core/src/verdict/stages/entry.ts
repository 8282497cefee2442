import { worstState } from '../../check/state.ts';
import type { Stage } from './stage.ts';

const counted = (count: number, words: string): readonly string[] =>
  count === 0 ? [] : [`${String(count)} ${words}`];

/**
 * How a stage stands at which values are entered: what its findings ask, and how many of its quantities and choices
 * are unknown; where all of them are known, how many of its checks wait for what another stage asks.
 * @param done words for a stage at which nothing is open
 */
export const byEntries =
  (done: string): Stage['stands'] =>
  ({ findings, entered, checks }) => {
    const unknown =
      entered.filter((k) => k.source === 'unknown').length +
      new Set(checks.flatMap((c) => c.unanswered)).size;
    const of = (state: 'look' | 'stop'): number => findings.filter((f) => f.state === state).length;
    const waiting = unknown > 0 ? 0 : checks.filter((c) => c.state === 'unknown').length;
    const words = [
      ...counted(of('stop'), 'to stop for'),
      ...counted(of('look'), 'to look at'),
      ...counted(unknown, 'unknown'),
      ...counted(waiting, 'to wait for'),
    ];
    const open = unknown + waiting > 0 ? (['unknown'] as const) : [];
    return {
      state: worstState([...findings.map((f) => f.state), ...open]),
      words: words.length === 0 ? done : words.slice(0, 2).join(', '),
    };
  };
