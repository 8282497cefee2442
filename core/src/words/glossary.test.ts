import { describe, expect, it } from 'vitest';
import { QUANTITY_PATHS } from '../document/document.ts';
import { GLOSSARY, termOf } from './glossary.ts';

describe('the words of the trade', () => {
  it('are each explained once, in one or two sentences that a telephone shows', () => {
    const ids = GLOSSARY.map((t) => t.id);
    expect(new Set(ids).size).toBe(ids.length);
    for (const { says, name } of GLOSSARY) {
      expect(says.length, name).toBeLessThan(220);
      expect(says, name).toMatch(/^[A-Z].*\.$/);
    }
  });

  it('explain quantities that there are, each by one word', () => {
    const paths = GLOSSARY.flatMap((t) => t.paths);
    for (const path of paths) expect(QUANTITY_PATHS).toContain(path);
    expect(new Set(paths).size).toBe(paths.length);
  });

  it('are the same for every pack', () => {
    expect(termOf('packs.2.capacityAh')?.id).toBe('amp-hour');
    expect(termOf('money' as never)).toBeUndefined();
  });
});
