// @vitest-environment happy-dom
import { cleanup } from '@testing-library/react';
import * as fc from 'fast-check';
import { createElement } from 'react';
import { describe, expect, it } from 'vitest';
import { anyBuild } from '@apple-cart/core/test';
import { verdictOf } from '../state/verdicts.ts';
import { inHand, shown, showsPages, stumbles } from '../test/pages.ts';
import { WorkingPanel } from './working-panel.tsx';

showsPages();

describe('the working behind a figure', () => {
  it('is there for every figure of any machine, and reads as a person writes', async () => {
    await fc.assert(
      fc.asyncProperty(anyBuild, async (document) => {
        inHand(document);
        for (const figure of verdictOf(document).figures) {
          const Panel = () => createElement(WorkingPanel, { figure, onClose: () => undefined });
          const { page, complaints } = await shown(Panel, '/builds/one/hill');
          expect(page.querySelector('[role=dialog]')?.textContent, figure.id).toMatch(
            new RegExp(figure.label, 'i'),
          );
          expect(stumbles(page), figure.id).toEqual([]);
          expect(complaints, figure.id).toEqual([]);
          cleanup();
        }
      }),
      { seed: 20261129, numRuns: 6, endOnFailure: true },
    );
  });
});
