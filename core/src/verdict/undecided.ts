import { usualDrive, type UsualDrive } from '../document/stands-in.ts';
import type { Study } from './study.ts';
import { restingFigure, type Figure, type FigureId } from './figure.ts';

/** Figures that motor and volts make. */
const DRIVEN: readonly FigureId[] = ['top-speed', 'hill', 'start', 'range', 'consumption', 'heat'];

/** What nobody has chosen or read, which a usual one stands in for, and what it leaves open. */
interface StandIn {
  readonly figures: readonly FigureId[];
  readonly condition: string;
  readonly leftOut: string;
}

/** What is left out of a figure of what a usual one drives. */
const LEFT_OUT: Readonly<Record<Exclude<UsualDrive, ''>, string>> = {
  'with a usual motor': 'No motor is chosen: a usual one of its kind stands in.',
  'with a usual pack': 'Neither volts nor cells of the pack are known: a usual one stands in.',
};

/** The first that stands in for something; undefined where all is decided. */
function standIn(s: Pick<Study, 'build' | 'known'>): StandIn | undefined {
  const usual = usualDrive(s);
  if (usual !== '') return { figures: DRIVEN, condition: usual, leftOut: LEFT_OUT[usual] };
  if (s.known.packs.some(({ capacityAh }) => capacityAh.source === 'unknown'))
    return {
      figures: ['range'],
      condition: 'with a usual pack',
      leftOut: 'What the pack holds is not known: a usual one stands in.',
    };
  return undefined;
}

/** What stands in for that which a figure wants and nobody has chosen or read: "with a usual motor"; empty where nothing does. */
export function standsInFor(s: Pick<Study, 'build' | 'known'>, figure: FigureId): string {
  const usual = standIn(s);
  return usual?.figures.includes(figure) === true ? usual.condition : '';
}

/** A figure of a motor or a pack that nobody has chosen is that of a usual one: it promises nothing, and says so. */
export function withUndecided(
  s: Pick<Study, 'build' | 'known'>,
  figures: readonly Figure[],
): readonly Figure[] {
  const usual = standIn(s);
  if (usual === undefined) return figures;
  return figures.map((figure) =>
    usual.figures.includes(figure.id)
      ? restingFigure(figure, { state: 'unknown', condition: [usual.condition], leftOut: usual.leftOut })
      : figure,
  );
}
