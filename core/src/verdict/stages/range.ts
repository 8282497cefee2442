import type { State } from '../../check/state.ts';
import { byFigures, type Stage } from './stage.ts';

const ENOUGH: Readonly<Record<State, string>> = {
  fine: 'enough, with reserve',
  look: 'just enough',
  stop: 'too short',
  unknown: 'unknown',
};

export const rangeStage: Stage = {
  owns: ['brief.windFromDeg', 'brief.descentKmh', 'brief.groundPct'],
  checks: [],
  figures: ['range', 'consumption'],
  stands: (subject) => {
    const { state } = byFigures(subject, ['range'], '');
    return { state, words: subject.study.range.holds ? ENOUGH[state] : 'slower than wanted' };
  },
};
