/** Views of the buying stage, in the order of the questions. */
export const BUY_VIEWS = [
  { id: 'list', name: 'Parts list' },
  { id: 'when', name: 'When' },
  { id: 'ready', name: 'Against ready-made' },
  { id: 'running', name: 'Costs to run' },
] as const;
export type BuyView = (typeof BUY_VIEWS)[number]['id'];
