import { byEntries } from './entry.ts';
import type { Stage } from './stage.ts';

export const powerStage: Stage = {
  owns: ['packs.0', 'packs.0.cell', 'packs.0.charger', 'joining', 'cabling', 'supply', 'controller'],
  checks: ['pack', 'joining', 'leads', 'charging', 'supply'],
  figures: ['weakest'],
  stands: byEntries('all known'),
};
