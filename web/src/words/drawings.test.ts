import { describe, expect, it } from 'vitest';
import { GLOSSARY } from '@apple-cart/core';
import { hasDrawing } from './term-drawing.tsx';

describe('the words of the trade', () => {
  it('each have a drawing', () => {
    expect(GLOSSARY.filter(({ id }) => !hasDrawing(id)).map((t) => t.id)).toEqual([]);
  });
});
