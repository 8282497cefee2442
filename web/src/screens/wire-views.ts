/** Views of the wiring stage, in the order of the questions. */
export const WIRE_VIEWS = [
  { id: 'pins', name: 'Pins' },
  { id: 'diagram', name: 'Diagram' },
  { id: 'schedule', name: 'Cable schedule' },
  { id: 'bicycle', name: 'On the bicycle' },
  { id: 'find', name: 'Find a pin' },
  { id: 'phases', name: 'Phases and halls' },
  { id: 'left-over', name: 'Left over' },
] as const;
export type WireView = (typeof WIRE_VIEWS)[number]['id'];
