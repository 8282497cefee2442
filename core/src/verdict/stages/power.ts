import { byEntries } from './entry.ts';
import type { Stage } from './stage.ts';

export const powerStage: Stage = {
  owns: ['pack', 'cell', 'second', 'cabling', 'charger', 'supply', 'controller'],
  checks: ['pack', 'second', 'leads', 'charging', 'supply'],
  stands: byEntries('all known'),
};
