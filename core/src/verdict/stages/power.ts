import { byEntries } from './entry.ts';
import type { Stage } from './stage.ts';

export const powerStage: Stage = {
  owns: ['pack', 'cell', 'second', 'cabling', 'charger', 'supply', 'controller'],
  checks: ['pack', 'second', 'leads', 'charging', 'supply'],
  figures: ['weakest'],
  stands: byEntries('all known'),
};
