// @vitest-environment happy-dom
import { beforeEach, describe, expect, it } from 'vitest';
import { newBuild, usualAsked } from '@apple-cart/core';
import { useOnTrial, type OnTrial } from './on-trial.ts';
import { useOwnSteps } from './own-steps.ts';
import { useSearchAsked } from './search-asked.ts';

const was = newBuild('Before');
const trial = { what: 'a larger pack', steps: ['pack/1'], cost: 120, was } as unknown as OnTrial;
const stored = (name: string): string => localStorage.getItem(name) ?? '';

beforeEach(() => {
  useOnTrial.setState({ trials: {} });
  useOwnSteps.setState({ steps: {} });
  useSearchAsked.setState({ asked: {} });
});

describe('what this browser keeps of a change', () => {
  it('is one trial a build, with the build as it was: it survives a reload, and ends by itself alone', () => {
    useOnTrial.getState().set('one', trial);
    useOnTrial.getState().set('two', { ...trial, what: 'another ring' });
    expect(stored('apple-cart-on-trial')).toContain('a larger pack');
    expect(useOnTrial.getState().trials['one']?.was).toEqual(was);
    useOnTrial.getState().set('one', undefined);
    expect(Object.keys(useOnTrial.getState().trials)).toEqual(['two']);
    expect(stored('apple-cart-on-trial')).not.toContain('a larger pack');
  });

  it('is a person’s own steps by build', () => {
    useOwnSteps.getState().set('one', ['own/a', 'own/b']);
    useOwnSteps.getState().set('two', ['own/c']);
    useOwnSteps.getState().set('one', ['own/b']);
    expect(useOwnSteps.getState().steps).toEqual({ one: ['own/b'], two: ['own/c'] });
    expect(stored('apple-cart-own-steps')).toContain('own/c');
  });

  it('is what was asked of the shelf for the last twenty builds, the last asked last', () => {
    const asked = usualAsked(was);
    for (let i = 0; i < 25; i += 1) useSearchAsked.getState().set(`build-${String(i)}`, asked);
    useSearchAsked.getState().set('build-7', asked);
    const kept = Object.keys(useSearchAsked.getState().asked);
    expect(kept).toHaveLength(20);
    expect(kept.at(-1)).toBe('build-7');
    expect(kept).not.toContain('build-0');
    expect(useSearchAsked.getState().asked['build-7']).toEqual(asked);
  });
});
