/** Views of the settings, in the order of the questions. */
export const SETUP_VIEWS = [
  { id: 'settings', name: 'Settings' },
  { id: 'levels', name: 'Help levels' },
  { id: 'speed', name: 'Speed on the display' },
  { id: 'cutoffs', name: 'Cut-offs and gauge' },
] as const;
export type SetupView = (typeof SETUP_VIEWS)[number]['id'];
