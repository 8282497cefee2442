import { specAt, type BuildDocument, type QuantityPath } from '../document/document.ts';
import type { Known } from '../document/known-build.ts';
import { knownBuild, knownInUse } from '../document/known.ts';
import { helpLimit } from '../document/throttle.ts';
import { assembleKnown } from '../machine/assemble.ts';
import { kmhToMs } from '../quantity/units.ts';
import type { Check } from '../check/check.ts';
import type { State } from '../check/state.ts';
import { fitChecks } from '../fit/fit.ts';
import { subject } from '../fit/subject.ts';
import { withValue } from '../document/quantity-at.ts';
import { sensitivities, type Sensitivity } from './sensitivity.ts';

/** A value or an answer that is still open, by how much it could change. */
export interface OpenMeasure {
  /** The quantity; undefined for a choice. */
  readonly known: Known | undefined;
  readonly label: string;
  /** Titles of the checks that wait for it. */
  readonly waits: readonly string[];
  /** Titles of the checks whose answer it could turn. */
  readonly turns: readonly string[];
  readonly moves: Sensitivity | undefined;
  /** How telling it is against the most telling one, 0 to 1. */
  readonly share: number;
}

/** What a state costs if it turns out so. Derived: stop ends the plan, look costs work. */
const COST: Readonly<Record<State, number>> = { fine: 0, unknown: 0, look: 1, stop: 3 };
/** A check that cannot answer at all is worth this much before anything is known of it. */
const WAITING = 1.5;
/** A result that could fall by all of itself weighs as much as this many stops. */
const RESULTS = 9;

const TENTH = 0.1;

/** Checks with a value put in place of another, at a speed that the brakes are judged by, m/s. */
function checksWith(
  build: BuildDocument,
  path: QuantityPath,
  value: number,
  topMs: number,
): readonly Check[] {
  const next = withValue(build, path, value);
  const known = knownBuild(next);
  return fitChecks(subject(next, known, assembleKnown(next, known), topMs));
}

/** How far a value could be off: an unknown one anywhere usual, an assumed one by a tenth. */
function ends(known: Known): readonly [number, number] {
  const spec = specAt(known.path);
  if (known.source === 'unknown' && spec.stays === true) return [spec.plausible[0], spec.plausible[1]];
  const low = Math.max(spec.min, known.value * (1 - TENTH));
  const high = Math.min(spec.max, known.value * (1 + TENTH));
  return [Math.min(low, high), Math.max(low, high)];
}

/**
 * Everything that is assumed, unknown or unanswered, the most telling first: by the checks that wait for it,
 * those whose answer it could turn, and what it moves in speed, hill and range.
 */
export function measureNext(build: BuildDocument): readonly OpenMeasure[] {
  const known = knownBuild(build);
  const topMs = kmhToMs((helpLimit(build, known) ?? known.controller.assistCutoffKmh).value);
  const checks = fitChecks(subject(build, known, assembleKnown(build, known), topMs));
  const moved = sensitivities(build);
  const open = new Map<QuantityPath, Known>();
  for (const k of knownInUse(build, known)) {
    if (k.source !== 'unknown' && k.source !== 'assumed') continue;
    if (checks.some((c) => c.inputs.includes(k.path)) || moved.some((s) => s.known.path === k.path)) {
      open.set(k.path, k);
    }
  }
  const base = { top: 0, hill: 0, range: 0 };
  for (const s of moved) {
    base.top = Math.max(base.top, s.topKmh);
    base.hill = Math.max(base.hill, s.hillKmh);
    base.range = Math.max(base.range, s.rangeKm);
  }
  const part = (value: number, most: number): number => (most > 0.05 ? value / most : 0);
  const quantities = [...open.values()].map((k) => {
    const waits = checks.filter((c) => c.missing.includes(k.path));
    const [low, high] = ends(k).map((value) => checksWith(build, k.path, value, topMs));
    const turns = checks.filter((c) => {
      if (!c.inputs.includes(k.path)) return false;
      const states = [low, high].map((list) => list?.find((x) => x.id === c.id)?.would);
      return states[0] !== states[1] || states[0] !== c.would;
    });
    const worst = turns.map((c) =>
      Math.max(...[low, high].map((list) => COST[list?.find((x) => x.id === c.id)?.would ?? 'fine'])),
    );
    const moves = moved.find((s) => s.known.path === k.path);
    const physics =
      moves === undefined
        ? 0
        : (part(moves.topKmh, base.top) + part(moves.hillKmh, base.hill) + part(moves.rangeKm, base.range)) /
          3;
    const weight =
      waits.reduce((sum, c) => sum + WAITING / c.missing.length, 0) +
      worst.reduce((sum, cost) => sum + cost, 0) +
      (RESULTS / 3) * physics;
    return { known: k, label: k.label, waits, turns, moves, weight };
  });
  const labels = [...new Set(checks.flatMap((c) => c.unanswered))];
  const choices = labels.map((label) => {
    const waits = checks.filter((c) => c.unanswered.includes(label));
    return { known: undefined, label, waits, turns: [], moves: undefined, weight: waits.length * WAITING };
  });
  const ranked = [...quantities, ...choices].sort((a, b) => b.weight - a.weight);
  const most = ranked[0]?.weight ?? 1;
  return ranked.map(({ weight, waits, turns, ...item }) => ({
    ...item,
    waits: waits.map((c) => c.title),
    turns: turns.map((c) => c.title),
    share: most > 0 ? weight / most : 0,
  }));
}
