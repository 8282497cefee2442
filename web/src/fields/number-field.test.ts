// @vitest-environment happy-dom
import { act, fireEvent } from '@testing-library/react';
import { createElement, Profiler } from 'react';
import { describe, expect, it } from 'vitest';
import { newBuild, withPack, withQuantity, type BuildDocument, type QuantityPath } from '@apple-cart/core';
import { useBuild } from '../state/build-store.ts';
import { inHand, shown, showsPages } from '../test/pages.ts';
import { NumberField } from './number-field.tsx';

showsPages();

const SHOWN = [
  'packs.0.capacityAh',
  'brief.riderMassKg',
  'donor.crr',
  'drive.hysteresisNm',
  'packs.1.massKg',
] as const;
const TWO: BuildDocument = ((one) => ({ ...one, packs: [one.packs[0], one.packs[0]] }))(
  newBuild('Two packs'),
);

/** The fields of a build with two packs, and how often each was drawn. */
async function fields() {
  const drawn = new Map<string, number>();
  inHand(TWO);
  const Fields = () =>
    SHOWN.map((path) =>
      createElement(
        Profiler,
        { key: path, id: path, onRender: (id) => drawn.set(id, (drawn.get(id) ?? 0) + 1) },
        createElement(NumberField, { path }),
      ),
    );
  const { page, complaints } = await shown(Fields, '/builds/one/donor');
  expect(complaints).toEqual([]);
  drawn.clear();
  const change = (next: BuildDocument): void => {
    act(() => {
      useBuild.setState({ document: next });
    });
  };
  const text = (path: QuantityPath) =>
    page.querySelector<HTMLInputElement>(`[data-field="${path}"] input`)?.value;
  return { page, drawn, change, text };
}

describe('the field of a quantity', () => {
  it('is drawn anew when something of its own has changed, and no other with it', async () => {
    const { drawn, change, text } = await fields();
    change(withQuantity(TWO, 'brief.riderMassKg', { source: 'measured', value: 81 }));
    expect(text('brief.riderMassKg')).toBe('81');
    expect([...drawn.keys()]).toEqual(['brief.riderMassKg']);
  });

  it('is drawn anew when what stands in for an unknown value follows another', async () => {
    const { page, change } = await fields();
    const words = () => page.querySelector<HTMLInputElement>('[data-field="donor.crr"] input')?.placeholder;
    const unknown: BuildDocument = { ...TWO, donor: { ...TWO.donor, crr: { source: 'unknown' } } };
    change(unknown);
    const before = words();
    change({ ...unknown, donor: { ...unknown.donor, style: 'fat' } });
    expect(before).toMatch(/^0\.\d+ \?$/);
    expect(words()).not.toBe(before);
  });

  it('goes with the pack that it is of', async () => {
    const { page, change, text } = await fields();
    change(withPack(TWO, 1, (pack) => ({ ...pack, massKg: { source: 'measured', value: 3.4 } })));
    expect(text('packs.1.massKg')).toBe('3.4');
    change({ ...TWO, packs: [TWO.packs[0]] });
    expect(page.querySelectorAll('[data-field]')).toHaveLength(SHOWN.length - 1);
  });

  it('shows and takes over what stands in for an unknown value as well as it is known, and no better', async () => {
    const { page, change } = await fields();
    const [pack] = TWO.packs;
    // A default that follows from another: Kv of a hub from watts, volts and wheel.
    change({
      ...TWO,
      packs: [
        { ...pack, massKg: { source: 'unknown' } },
        { ...pack, massKg: { source: 'unknown' } },
      ],
    });
    const field = page.querySelector('[data-field="packs.1.massKg"] input');
    if (!(field instanceof HTMLInputElement)) throw new Error('no field');
    expect(field.placeholder).toMatch(/^\d+(\.\d+)? \?$/);
    expect(field.placeholder.replace(/\D/g, '').length).toBeLessThanOrEqual(4);
    fireEvent.focus(field);
    fireEvent.keyDown(field, { key: 'F2' });
    const taken = useBuild.getState().document?.packs[1]?.massKg;
    expect(taken).toEqual({ source: 'measured', value: Number.parseFloat(field.placeholder) });
  });

  it('takes over nothing that no build could be saved with, and says why at its place', async () => {
    const { page, change } = await fields();
    const [pack] = TWO.packs;
    const cell = {
      ...pack.cell,
      capacityAh: { source: 'label', value: 60 },
      parallel: { source: 'measured', value: 20 },
    } as const;
    change({ ...TWO, packs: [{ ...pack, make: 'cells', capacityAh: { source: 'unknown' }, cell }, pack] });
    const field = page.querySelector('[data-field="packs.0.capacityAh"] input');
    if (!(field instanceof HTMLInputElement)) throw new Error('no field');
    expect(field.placeholder).toBe('1200');
    fireEvent.focus(field);
    fireEvent.keyDown(field, { key: 'F2' });
    expect(useBuild.getState().document?.packs[0].capacityAh).toEqual({ source: 'unknown' });
    expect(page.querySelector('[data-field="packs.0.capacityAh"]')?.textContent).toMatch(/Must be .* to 400/);
  });
});
