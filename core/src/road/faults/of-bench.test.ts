import { describe, expect, it } from 'vitest';
import { shippedRules } from '../../law/rules.ts';
import { courier, longtail, tandem, tourer, trike } from '../../test/demo.ts';
import { evaluate } from '../../verdict/evaluate.ts';
import { faultScene } from '../../verdict/fault-scene.ts';
import { faultTree } from './fault-tree.ts';
import { symptomOfPoint } from './of-bench.ts';

const verdicts = [courier, tourer, longtail, tandem, trike].map((b) => evaluate(b, shippedRules()));

describe('a hold point that fails', () => {
  it('is a sign of something this build can have, with something to look at', () => {
    let signs = 0;
    for (const v of verdicts)
      for (const { key } of v.bench) {
        const symptom = symptomOfPoint(key);
        if (symptom === undefined) continue;
        signs += 1;
        const { causes, next } = faultTree(symptom, faultScene(v), []);
        expect(causes.length, key).toBeGreaterThan(1);
        expect(next.length, key).toBeGreaterThan(0);
      }
    expect(signs).toBeGreaterThan(5 * verdicts.length);
  });

  it('of a second pack or motor is of the same kind', () => {
    expect(symptomOfPoint('stand/sound-second')).toBe(symptomOfPoint('stand/sound'));
    expect(symptomOfPoint('pack/volts-2')).toBe('dark');
    expect(symptomOfPoint('pack/joined-2')).toBeUndefined();
  });

  it('that guards a person by polarity or insulation is not sent to a list of causes', () => {
    for (const key of ['pack/polarity', 'cold/polarity', 'pack/frame', 'power/spark'])
      expect(symptomOfPoint(key)).toBeUndefined();
  });
});
