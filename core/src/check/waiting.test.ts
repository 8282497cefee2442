import { describe, expect, it } from 'vitest';
import { newBuild } from '../document/template.ts';
import { evaluate } from '../verdict/evaluate.ts';
import { shippedRules } from '../law/rules.ts';
import { shownOf, wantsOf } from './waiting.ts';

const KINDS = ['geared-hub', 'direct-drive-hub', 'mid-drive', 'external'] as const;

describe('checks that cannot be told', () => {
  it.each(KINDS)('are few lines on a %s of which nothing is measured, each one that matters', (kind) => {
    const { fit, power } = evaluate(newBuild('Blank', kind), shippedRules());
    for (const checks of [fit.checks, power.checks]) {
      const { lines, folded, wants } = shownOf(checks);
      const open = lines.filter((c) => c.state === 'unknown');
      expect(open.length).toBeLessThanOrEqual(8);
      if (folded.length > 0) for (const c of open) expect(c.would).not.toBe('fine');
      // Nothing is lost, and nothing folded reads as fine.
      expect(lines.length + folded.length).toBe(checks.length);
      for (const c of folded) expect(c.state).toBe('unknown');
      expect(new Set(folded.flatMap(wantsOf))).toEqual(new Set(wants.map((w) => w.words)));
    }
  });

  it('are gathered by what settles most of them first', () => {
    const { wants } = shownOf(evaluate(newBuild('Blank'), shippedRules()).fit.checks);
    expect(wants[0]?.checks).toBeGreaterThan(2);
    expect(wants.map((w) => w.checks)).toEqual(wants.map((w) => w.checks).sort((a, b) => b - a));
  });

  it('stand for themselves where they are few', () => {
    const unknown = evaluate(newBuild('Blank'), shippedRules()).fit.checks.filter(
      (c) => c.state === 'unknown',
    );
    expect(shownOf(unknown.slice(0, 4)).folded).toEqual([]);
  });
});
