import type { QuantityPath, SectionPath } from '../../document/document.ts';
import type { Known } from '../../document/known-build.ts';
import type { CHECK_GROUPS, Check } from '../../check/check.ts';
import { worstState, type State } from '../../check/state.ts';
import type { Figure, FigureId } from '../figure.ts';
import type { Finding } from '../finding.ts';
import type { Judged } from '../judged.ts';
import type { Ledger } from '../../workshop/parts-list/ledger.ts';
import type { Wiring } from '../../workshop/harness/wiring.ts';
import type { SettingCounts } from '../../workshop/settings/counts.ts';
import type { StageId } from '../../check/stage-ids.ts';

/** A stage's state and a few words for it, as the work order shows them. */
export interface StageVerdict {
  readonly id: StageId;
  readonly state: State;
  readonly words: string;
  /** False where nothing was done at it yet, and nothing is amiss: a dash, no question. */
  readonly begun?: boolean;
}

/** What a stage may look at to say its state: the study, the figures, and what is its own. */
export interface StageSubject {
  readonly study: Judged;
  readonly figures: readonly Figure[];
  readonly findings: readonly Finding[];
  /** Quantities in use that are entered at it, and checks that are mended at it. */
  readonly entered: readonly Known[];
  readonly checks: readonly Check[];
  /** Sums of the parts list; worked out when a stage asks. */
  readonly ledger: () => Ledger;
  /** The harness; worked out when a stage asks. */
  readonly wiring: () => Wiring;
  /** How the settings sheet stands; worked out when a stage asks. */
  readonly settings: () => SettingCounts;
}

/**
 * One stage of the work: what is entered at it, which checks are mended at it, and how it stands. The screen's side of
 * it (name, question, views, sheet, printed pages) is kept by the web under the same id.
 */
export interface Stage {
  /** Whole sections of the document, and single quantities; a quantity named beats its section. Of packs the first is named. */
  readonly owns: readonly (SectionPath | QuantityPath)[];
  /** Groups of checks that are mended at it, beside its own. */
  readonly checks: readonly (typeof CHECK_GROUPS)[number][];
  /** The headline figures that are changed at it: the tray leads here. */
  readonly figures: readonly FigureId[];
  readonly stands: (subject: StageSubject) => Omit<StageVerdict, 'id'>;
}

/** How a stage stands whose figures say it: the worst of them, in the words given. */
export const byFigures = (
  { figures }: StageSubject,
  ids: readonly FigureId[],
  words: string,
): Omit<StageVerdict, 'id'> => ({
  state: worstState(figures.filter((f) => ids.includes(f.id)).map((f) => f.state)),
  words,
});

/** The paths of the quantities of a section that a group of specs describes. */
export const pathsOf = (section: SectionPath, specs: object): readonly QuantityPath[] =>
  Object.keys(specs).map((key) => `${section}.${key}` as QuantityPath);
