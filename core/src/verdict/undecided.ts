import { motorDecided } from '../document/motor-decided.ts';
import type { Study } from './study.ts';
import type { Figure, FigureId } from './figure.ts';

/** Figures that a motor makes. */
const BY_MOTOR: readonly FigureId[] = ['top-speed', 'hill', 'start', 'range', 'consumption', 'heat'];

/** A figure of a motor that nobody has chosen is that of a usual one: it promises nothing, and says so. */
export function withUndecided(
  s: Pick<Study, 'build' | 'known'>,
  figures: readonly Figure[],
): readonly Figure[] {
  if (motorDecided(s)) return figures;
  return figures.map((figure) =>
    BY_MOTOR.includes(figure.id)
      ? {
          // Written out: spreading would write the working.
          id: figure.id,
          label: figure.label,
          state: 'unknown',
          value: figure.value,
          upTo: figure.upTo,
          unit: figure.unit,
          words: figure.words,
          condition: ['with a usual motor'],
          get working() {
            const { working } = figure;
            return {
              ...working,
              leftOut: ['No motor is chosen: a usual one of its kind stands in.', ...working.leftOut],
            };
          },
        }
      : figure,
  );
}
