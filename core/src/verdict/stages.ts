import type { Known } from '../document/known.ts';
import { worstState, type State } from '../check/state.ts';
import { type Figure } from './figure.ts';
import { fitStage, type Finding } from './findings.ts';
import type { StageId } from './stage-ids.ts';
import { stageOf } from './stage-of.ts';
import type { Judged } from './judged.ts';
import type { Study } from './study.ts';

export interface StageVerdict {
  readonly id: StageId;
  readonly state: State;
  readonly words: string;
}

/** Quantities entered at a stage. */
const stageQuantities = (study: Study, id: StageId): readonly Known[] =>
  study.used.filter((k) => stageOf(k.path) === id);

const DONE: Readonly<Partial<Record<StageId, string>>> = {
  brief: 'targets set',
  donor: 'all known',
  drive: 'all known',
  power: 'all known',
};

/** Choices that checks of a stage wait for, each once. */
function unanswered({ checks, powerChecks }: Study, id: StageId): number {
  const mine = id === 'power' ? powerChecks : checks.filter((c) => fitStage(c) === id);
  return new Set(mine.flatMap((c) => c.unanswered)).size;
}

function entryStage(study: Study, id: StageId, all: readonly Finding[]): StageVerdict {
  const mine = all.filter((f) => f.stage === id);
  const unknown =
    stageQuantities(study, id).filter((k) => k.source === 'unknown').length + unanswered(study, id);
  const toLook = mine.filter((f) => f.state === 'look').length;
  const toStop = mine.filter((f) => f.state === 'stop').length;
  const state = worstState([...mine.map((f) => f.state), ...(unknown > 0 ? (['unknown'] as const) : [])]);
  const words = [
    ...(toStop > 0 ? [`${String(toStop)} to stop for`] : []),
    ...(toLook > 0 ? [`${String(toLook)} to look at`] : []),
    ...(unknown > 0 ? [`${String(unknown)} unknown`] : []),
  ];
  return { id, state, words: words.length === 0 ? (DONE[id] ?? 'fine') : words.slice(0, 2).join(', ') };
}

const figureStage = (id: StageId, figures: readonly Figure[], words: string): StageVerdict => ({
  id,
  state: worstState(figures.map((f) => f.state)),
  words,
});

/** State and a few words for every stage of the work order. */
export function stages(
  study: Judged,
  figures: readonly Figure[],
  all: readonly Finding[],
): readonly StageVerdict[] {
  const byId = (id: Figure['id']): Figure[] => figures.filter((f) => f.id === id);
  const { here, climb, start, known, range, heat } = study;
  const law = {
    inside: 'inside',
    check: `inside, ${String(here.unsettled.length)} to check`,
    'cannot-tell': 'cannot tell yet',
    'other-class': 'needs approval',
    outside:
      here.failing.length === 0 ? 'closed to conversions' : `outside by ${String(here.failing.length)}`,
  }[here.outcome];
  const hill = !climb.climbs
    ? 'does not climb'
    : start.gradePct < known.brief.hillGradePct.value
      ? 'cannot start on it'
      : heat.tooHotAfter !== undefined && heat.tooHotAfter <= climb.seconds
        ? 'gets too hot on it'
        : 'climbs';
  const ranged = !range.holds
    ? 'speed not held'
    : { fine: 'enough, with reserve', look: 'just enough', stop: 'too short', unknown: 'unknown' }[
        byId('range')[0]?.state ?? 'unknown'
      ];
  return [
    entryStage(study, 'brief', all),
    entryStage(study, 'donor', all),
    entryStage(study, 'drive', all),
    entryStage(study, 'power', all),
    figureStage('law', byId('class'), law),
    figureStage('hill', [...byId('hill'), ...byId('start'), ...byId('heat')], hill),
    figureStage('range', byId('range'), ranged),
  ];
}
