import { describe, expect, it } from 'vitest';
import { QUANTITY_PATHS, STAGE_IDS, stageOf } from '@apple-cart/core';
import { PRINTED_PAGES, SCREENS, isStage, placeOf, stageOfKey } from './registry.ts';

const all = STAGE_IDS.map((id) => SCREENS[id]);
const once = (list: readonly string[]): boolean => new Set(list).size === list.length;

describe('the screens of the stages', () => {
  it('have names and keys of their own, for more stages than there are digits', () => {
    expect(once(all.map((s) => s.name))).toBe(true);
    expect(once(all.map((s) => s.key))).toBe(true);
    for (const id of STAGE_IDS) {
      expect(SCREENS[id].key).toMatch(/^[a-z]$/);
      expect(stageOfKey(SCREENS[id].key.toUpperCase())).toBe(id);
    }
    expect(stageOfKey('g')).toBeUndefined();
  });

  it('have addresses of their own: a printed page is no stage', () => {
    expect(once([...STAGE_IDS, ...PRINTED_PAGES.map((p) => p.path)])).toBe(true);
    for (const { path } of PRINTED_PAGES) expect(isStage(path)).toBe(false);
    for (const { views } of all) expect(once(views.map((v) => v.id))).toBe(true);
  });

  it('say where each quantity is entered: a stage, and a view that it has', () => {
    for (const path of QUANTITY_PATHS) {
      const [stage = '', asked = ''] = placeOf(path).split('?');
      const view = new URLSearchParams(asked).get('view');
      expect(stage).toBe(stageOf(path));
      if (view !== null) expect(SCREENS[stageOf(path)].views.map((v) => v.id)).toContain(view);
    }
    expect(placeOf('cabling.leadMm2')).toBe('power?view=current');
    expect(placeOf('packs.0.capacityAh')).toBe('power');
    expect(placeOf('packs.1.capacityAh')).toBe('power?pack=2');
    expect(placeOf('packs.2.charger.volts')).toBe('power?view=charge&pack=3');
    expect(placeOf('drive.damageC')).toBe('hill?view=heat');
  });
});
