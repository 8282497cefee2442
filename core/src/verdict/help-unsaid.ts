import { asksWhatFollows } from '../document/help-follows.ts';
import { qty, type Phrase } from '../quantity/phrase.ts';
import { restingFigure, type Figure } from './figure.ts';
import { consumptionFigure, rangeFigure } from './figures/range-figures.ts';
import { hillFigure, startFigure, topSpeedFigure } from './figures/motion-figures.ts';
import { study, type Study } from './study.ts';

/** Figures that are moved by what the help follows. */
const MOVED: readonly ((s: Study) => Figure)[] = [
  topSpeedFigure,
  hillFigure,
  startFigure,
  rangeFigure,
  consumptionFigure,
];
/** Nearer to each other than this share two figures are one. Common practice, no source. */
const SAME = 0.02;

const isNear = (a: number | undefined, b: number | undefined): boolean =>
  a === b || (a !== undefined && b !== undefined && Math.abs(a - b) <= SAME * Math.max(a, b));

const otherwise = ({ value, upTo, unit, words }: Figure): Phrase =>
  value === undefined
    ? [words ?? 'nothing']
    : [...(upTo === undefined ? [] : [qty(value, unit), ' to ']), qty(upTo ?? value, unit)];

/**
 * Where nobody has said whether the help of a wheel's motor follows the power of the legs or their torque, the figures are worked out
 * by power: one that would be another by torque promises nothing, and says what it would be.
 */
export function withHelpUnsaid(s: Study, figures: readonly Figure[]): readonly Figure[] {
  const { build } = s;
  if (!asksWhatFollows(build) || build.controls.helpFollows !== 'unknown') return figures;
  const other = study({ ...build, controls: { ...build.controls, helpFollows: 'torque' } });
  const byTorque = new Map(MOVED.map((of) => of(other)).map((figure) => [figure.id, figure]));
  return figures.map((figure) => {
    const then = byTorque.get(figure.id);
    if (then === undefined || (isNear(figure.value, then.value) && isNear(figure.upTo, then.upTo)))
      return figure;
    return restingFigure(figure, {
      state: figure.state === 'stop' ? 'stop' : 'unknown',
      condition: ['by torque: ', ...otherwise(then)],
      leftOut:
        'Whether the help follows the power of the legs or their torque is not said: it is taken as power. Drive asks for it.',
    });
  });
}
