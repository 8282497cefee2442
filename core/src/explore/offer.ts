import type { BuildDocument } from '../document/document.ts';
import type { Check } from '../check/check.ts';
import type { State } from '../check/state.ts';
import type { RuleBook } from '../law/rule-schema.ts';
import { classFigure } from '../verdict/figures/class-figure.ts';
import { heatFigure } from '../verdict/figures/heat-figure.ts';
import { judged } from '../verdict/judged.ts';
import type { Study } from '../verdict/study.ts';
import { headlines, type Headlines } from './compare.ts';

/** What a build would be, told in the figures that a builder chooses by. */
export interface Offer extends Pick<Headlines, 'topKmh' | 'hillKmh' | 'startPct' | 'massKg' | 'plannedKm'> {
  readonly build: BuildDocument;
  readonly className: string;
  readonly classState: State;
  /** Winding at the top of the test hill, C; undefined where it is not climbed. */
  readonly hottestC: number | undefined;
  readonly heatState: State;
  /** How long the climb takes, and how long such a climb is borne, s; undefined for never too hot. */
  readonly climbSeconds: number | undefined;
  readonly borneSeconds: number | undefined;
  /** Checks of the donor that stop it, that ask for a look, and that wait for a measure. */
  readonly stops: readonly Check[];
  readonly looks: readonly Check[];
  readonly waits: number;
}

/** The figures of a study that a choice is made by. */
export function offerOf(s: Study, book: RuleBook): Offer {
  const { topKmh, hillKmh, startPct, massKg, plannedKm } = headlines(s);
  const law = classFigure(judged(s, book));
  return {
    build: s.build,
    topKmh,
    hillKmh,
    startPct,
    massKg,
    plannedKm,
    className: law.words ?? '',
    classState: law.state,
    hottestC: s.hillRide?.hottestC,
    heatState: heatFigure(s).state,
    climbSeconds: s.climb.climbs ? s.climb.seconds : undefined,
    borneSeconds: s.heat.tooHotAfter,
    stops: s.checks.filter((c) => c.state === 'stop'),
    looks: s.checks.filter((c) => c.state === 'look'),
    waits: s.checks.filter((c) => c.state === 'unknown').length,
  };
}
