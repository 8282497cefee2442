import { describe, expect, it } from 'vitest';
import { CHECK_GROUPS } from '../../check/check.ts';
import { QUANTITY_PATHS, SECTION_SPECS } from '../../document/document.ts';
import { STAGES } from './registry.ts';
import { STAGE_IDS } from '../../check/stage-ids.ts';
import { shippedRules } from '../../law/rules.ts';
import { sample } from '../../test/sample.ts';
import { evaluate } from '../evaluate.ts';
import { FIGURE_IDS } from '../figure.ts';
import { stageOf, stageOfCheck, stageOfFigure } from './stage-of.ts';

const owned = STAGE_IDS.flatMap((id) => STAGES[id].owns);

describe('what stages own', () => {
  it('is owned once, by its own name, and is there', () => {
    expect(new Set(owned).size).toBe(owned.length);
    for (const one of owned) expect([...SECTION_SPECS.keys(), ...QUANTITY_PATHS]).toContain(one);
  });

  it('is every quantity and every check', () => {
    for (const path of QUANTITY_PATHS) expect(STAGE_IDS).toContain(stageOf(path));
    for (const group of CHECK_GROUPS) expect(STAGE_IDS).toContain(stageOfCheck({ group }));
    for (const group of STAGE_IDS) expect(stageOfCheck({ group })).toBe(group);
    const groups = STAGE_IDS.flatMap((id) => STAGES[id].checks);
    expect([...groups].sort()).toEqual([...CHECK_GROUPS].sort());
  });

  it('is every headline figure, once', () => {
    const figures = STAGE_IDS.flatMap((id) => STAGES[id].figures);
    expect([...figures].sort()).toEqual([...FIGURE_IDS].sort());
    expect(evaluate(sample(), shippedRules()).figures.map((f) => f.id)).toEqual(FIGURE_IDS);
    expect(stageOfFigure('heat')).toBe('hill');
  });

  it('is entered where it is asked, though its section belongs elsewhere', () => {
    expect(stageOf('drive.axleMm')).toBe('donor');
    expect(stageOf('drive.kvRpmPerV')).toBe('drive');
    expect(stageOf('drive.polePairs')).toBe('drive');
    expect(stageOf('drive.damageC')).toBe('hill');
    expect(stageOf('packs.0.boxWidthMm')).toBe('donor');
    expect(stageOf('controller.setRolloutMm')).toBe('law');
    expect(stageOf('brief.descentKmh')).toBe('range');
  });
});
