import { describe, expect, it } from 'vitest';
import { evaluate, shippedRules, newBuild, withValues, type Figure } from '@apple-cart/core';
import { figureDelta, figureText } from './figure-text.ts';

const base = evaluate(newBuild('Build'), shippedRules()).figures[1];
if (base === undefined) throw new Error('no figure');
const figure = (change: Partial<Figure>): Figure => ({
  ...base,
  id: 'hill',
  unit: 'km/h',
  upTo: undefined,
  words: undefined,
  ...change,
});

describe('figureText', () => {
  it('splits number and unit, in the reader’s units', () => {
    expect(figureText(figure({ value: 24.94 }), 'metric')).toMatchObject({ value: '24.9', unit: 'km/h' });
    expect(figureText(figure({ value: 32.18688 }), 'imperial')).toMatchObject({ value: '20.0', unit: 'mph' });
  });

  it('gives a band no more decimals than tell its ends apart', () => {
    expect(figureText(figure({ unit: 'km', value: 41.13, upTo: 86.9 }), 'metric').value).toBe('41–87');
    expect(figureText(figure({ unit: 'km', value: 4.13, upTo: 6.9 }), 'metric').value).toBe('4.1–6.9');
  });

  it('puts words in place of a number', () => {
    expect(figureText(figure({ value: undefined, words: 'Stalls' }), 'metric')).toMatchObject({
      value: 'Stalls',
      unit: '',
    });
    expect(figureText(figure({ value: 700, words: '£700', unit: '1' }), 'metric').value).toBe('£700');
    expect(figureText(figure({ value: undefined }), 'metric').value).toBe('Not known');
  });
});

describe('the weakest link', () => {
  const weakest = (build: ReturnType<typeof newBuild>): Figure => {
    const found = evaluate(build, shippedRules()).figures.find((f) => f.id === 'weakest');
    if (found === undefined) throw new Error('no figure');
    return found;
  };
  const base = newBuild('Build');

  const tired = withValues(base, 'packs.0', {
    cellsContinuousA: { source: 'label', value: 3 },
    cellsPeakA: { source: 'label', value: 4 },
  });

  it('is a name, with the amps in its condition', () => {
    expect(figureText(weakest(tired), 'metric')).toMatchObject({ value: 'Cells', unit: '' });
    expect(figureText(weakest(tired), 'metric').condition).toMatch(/^\d+\sA for \d+\sA asked$/);
  });

  it('names the one before, once another is the weakest', () => {
    expect(figureDelta(weakest(tired), weakest(base), 'metric')).toMatchObject({ kind: 'words' });
  });
});

describe('figureDelta', () => {
  const delta = (now: Partial<Figure>, then: Partial<Figure>, system: 'metric' | 'imperial' = 'metric') =>
    figureDelta(figure(now), figure(then), system);

  it('is signed and in the reader’s units', () => {
    expect(delta({ value: 16 }, { value: 14.4 })).toEqual({ kind: 'number', up: true, text: '+1.6' });
    expect(delta({ value: 14.4 }, { value: 16 })).toEqual({ kind: 'number', up: false, text: '−1.6' });
    expect(delta({ value: 16.09344 }, { value: 0 }, 'imperial')).toMatchObject({ text: '+10.0' });
  });

  it('is silent when nothing shows, or nothing is pinned', () => {
    expect(delta({ value: 16.01 }, { value: 16 })).toBeUndefined();
    expect(figureDelta(figure({ value: 1 }), undefined, 'metric')).toBeUndefined();
    expect(
      delta({ value: undefined, words: 'Stalls' }, { value: undefined, words: 'Stalls' }),
    ).toBeUndefined();
  });

  it('compares bands by their middle and prices by their amount', () => {
    expect(delta({ unit: 'km', value: 40, upTo: 80 }, { unit: 'km', value: 30, upTo: 60 })).toMatchObject({
      text: '+15',
    });
    expect(
      delta(
        { id: 'price', unit: '1', value: 1486, words: '£1,486' },
        { id: 'price', unit: '1', value: 1300, words: '£1,300' },
      ),
    ).toMatchObject({ text: '+186' });
  });

  it('says what it was when a number became words, or the other way', () => {
    expect(delta({ value: undefined, words: 'Stalls' }, { value: 14.4 })).toEqual({
      kind: 'words',
      text: 'was 14.4 km/h',
    });
    expect(delta({ value: undefined, words: 'Motor vehicle' }, { value: undefined, words: 'EAPC' })).toEqual({
      kind: 'words',
      text: 'was EAPC',
    });
  });
});
