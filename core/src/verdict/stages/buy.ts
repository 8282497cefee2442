import { motorDecided } from '../../document/motor-decided.ts';
import type { Stage } from './stage.ts';

export const buyStage: Stage = {
  owns: [],
  checks: [],
  figures: [],
  stands: ({ study, ledger }) => {
    if (!motorDecided(study)) return { state: 'unknown', words: 'no motor chosen' };
    const { open, unpriced } = ledger();
    if (open === 0 && unpriced === 0) return { state: 'fine', words: 'all there' };
    const missing = unpriced === 0 ? '' : `, ${String(unpriced)} no price`;
    return { state: 'look', words: open === 0 ? `all there${missing}` : `${String(open)} to buy${missing}` };
  },
};
