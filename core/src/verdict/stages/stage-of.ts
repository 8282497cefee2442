import type { Check, CheckGroup } from '../../check/check.ts';
import { QUANTITY_PATHS, ofFirstPack, sectionOf, type QuantityPath } from '../../document/document.ts';
import type { FigureId } from '../figure.ts';
import { STAGES } from './registry.ts';
import { STAGE_IDS, type StageId } from '../../check/stage-ids.ts';

const OWNERS: ReadonlyMap<string, StageId> = new Map(
  STAGE_IDS.flatMap((id) => STAGES[id].owns.map((owned) => [owned, id] as const)),
);
/** Asked for every quantity at every keystroke: looked up once. */
const STAGE_OF: ReadonlyMap<QuantityPath, StageId> = new Map(
  QUANTITY_PATHS.flatMap((path) => {
    // Packs are alike: what a stage owns of the first it owns of all.
    const alike = ofFirstPack(path);
    const owner = OWNERS.get(alike) ?? OWNERS.get(sectionOf(alike));
    return owner === undefined ? [] : [[path, owner] as const];
  }),
);
const MENDERS: ReadonlyMap<CheckGroup, StageId> = new Map(
  STAGE_IDS.flatMap((id) => [id, ...STAGES[id].checks].map((group) => [group, id] as const)),
);

const CHANGERS: ReadonlyMap<FigureId, StageId> = new Map(
  STAGE_IDS.flatMap((id) => STAGES[id].figures.map((figure) => [figure, id] as const)),
);

/** The stage at which a quantity is entered. @throws TypeError for one that no stage owns. */
export function stageOf(path: QuantityPath): StageId {
  const id = STAGE_OF.get(path);
  if (id === undefined) throw new TypeError(`no stage owns ${path}`);
  return id;
}

/** The stage at which what a check is about is mended. @throws TypeError for a group that no stage mends. */
export function stageOfCheck({ group }: Pick<Check, 'group'>): StageId {
  const id = MENDERS.get(group);
  if (id === undefined) throw new TypeError(`no stage mends ${group}`);
  return id;
}

/** The stage at which a headline figure is changed. @throws TypeError for one that no stage changes. */
export function stageOfFigure(figure: FigureId): StageId {
  const id = CHANGERS.get(figure);
  if (id === undefined) throw new TypeError(`no stage changes ${figure}`);
  return id;
}
