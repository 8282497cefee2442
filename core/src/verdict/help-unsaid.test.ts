import { describe, expect, it } from 'vitest';
import { evaluate } from '../test/evaluate.ts';
import { phraseText } from '../quantity/phrase.ts';
import { sample, type Changes } from '../test/sample.ts';
import type { FigureId } from './figure.ts';

type Follows = 'power' | 'torque' | 'unknown';
const built = (helpFollows: Follows, more: Changes = {}) =>
  sample({
    ...more,
    drive: { name: 'Hub', ...more.drive },
    controls: { assistSensor: 'torque', throttle: 'none', assistRatio: 1.2, helpFollows, ...more.controls },
    controller: { limitsSpeed: false, ...more.controller },
  });
const figureOf = (build: ReturnType<typeof built>, id: FigureId) => {
  const found = evaluate(build).figures.find((f) => f.id === id);
  if (found === undefined) throw new Error(id);
  return found;
};

describe('help of which nobody has said what it follows', () => {
  it('promises no figure that would be another by torque, and says what that would be', () => {
    const moved = (['top-speed', 'hill', 'range', 'consumption'] as const).filter((id) => {
      const [power, torque] = [figureOf(built('power'), id), figureOf(built('torque'), id)];
      return Math.abs((power.value ?? 0) - (torque.value ?? 0)) > 0.021 * (power.value ?? 0);
    });
    expect(moved.length).toBeGreaterThan(0);
    for (const id of moved) {
      const [open, torque] = [figureOf(built('unknown'), id), figureOf(built('torque'), id)];
      expect(['unknown', 'stop'], id).toContain(open.state);
      expect(open.value).toBe(figureOf(built('power'), id).value);
      expect(phraseText(open.condition), id).toContain('by torque');
      expect(phraseText(open.condition), id).toContain(
        (torque.upTo ?? torque.value ?? 0).toFixed(0).slice(0, 1),
      );
      expect(open.working.leftOut[0]).toContain('Drive asks for it');
    }
  });

  it('is as ever once it is said, and of a motor at the cranks or behind a sensor of cadence', () => {
    for (const build of [
      built('power'),
      built('torque'),
      built('unknown', { drive: { kind: 'mid-drive' } }),
      built('unknown', { controls: { assistSensor: 'cadence' } }),
    ])
      for (const id of ['top-speed', 'range'] as const)
        expect(phraseText(figureOf(build, id).condition)).not.toContain('by torque');
  });
});
