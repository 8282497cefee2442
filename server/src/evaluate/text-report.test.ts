import { describe, expect, it } from 'vitest';
import { evaluate, shippedRules, newBuild } from '@apple-cart/core';
import { textReport } from './text-report.ts';

const report = textReport(
  evaluate(newBuild('Hill commuter', 'mid-drive'), shippedRules()),
  'the rules that ship',
);
const lines = report.split('\n');

describe('the text report', () => {
  it('begins with the name, underlined, and the ten figures with their states', () => {
    expect(lines[0]).toBe('Hill commuter');
    expect(lines[1]).toBe('='.repeat('Hill commuter'.length));
    const figures = lines.slice(2, 12);
    for (const line of figures) expect(line).toMatch(/^(fine|look|stop|unknown)\s/);
    expect(figures.map((l) => l.slice(9, 24).trim())).toEqual([
      'Class',
      'Top speed',
      'Test hill',
      'Starts on',
      'Range',
      'Energy',
      'Hottest winding',
      'Weakest link',
      'Mass',
      'Price',
    ]);
  });

  it('lists clauses with limit and certainty, and says what it is not', () => {
    expect(report).toMatch(/unknown\s+Continuous rated power.*<= 250\sW {2}\[high\]/);
    expect(report).toContain('Planning aid, not legal advice. The vehicle authority decides.');
  });

  it('gives every working with formula, inputs, their source, steps and sources', () => {
    for (const label of [
      'Class',
      'Top speed',
      'Test hill',
      'Starts on',
      'Range',
      'Energy',
      'Hottest winding',
      'Mass',
      'Price',
    ]) {
      expect(report).toContain(`Working: ${label}`);
    }
    expect(report).toMatch(/Kv\s+Speed constant Kv, motor\s+[\d.]+\srpm\/V {2}\(unknown; .*from memory/);
    expect(report).toContain('source: Motor: direct-current equivalent');
    expect(report).toContain('note: Level road, constant speed');
  });

  it('lists the fit checks with limit and origin; one that waits cannot tell', () => {
    expect(report).toMatch(
      /unknown\s+Gearbox to chainstay, tightened\s+cannot tell\s+at least 2\smm {2}\[common practice\]/,
    );
  });

  it('lists the current chain with what is asked, the weakest marked, and the checks beside it', () => {
    expect(report).toMatch(/unknown\s+Plug\s+\? /);
    expect(report).toMatch(/fine\s+Protection|unknown\s+Protection/);
    expect(report.match(/ {2}weakest$/gm)).toHaveLength(1);
    expect(report).toMatch(/unknown\s+Charger’s volts against the pack\s+cannot tell/);
  });

  it('has no number that is not one', () => {
    expect(report).not.toMatch(/NaN|undefined|Infinity|\[object/);
  });

  it('lists what to look at only when there is something', () => {
    expect(report).not.toContain('To look at');
    const build = newBuild('Heavy');
    const heavy = {
      ...build,
      brief: { ...build.brief, riderMassKg: { source: 'measured' as const, value: 350 } },
    };
    expect(textReport(evaluate(heavy, shippedRules()), 'the rules that ship')).toMatch(
      /To look at:\n {2}look: Rider, or riders is unusual\. 350\.0\skg is used/,
    );
  });
});
