/** Views of the road, in the order of the questions. */
export const ROAD_VIEWS = [
  { id: 'rides', name: 'Rides' },
  { id: 'learn', name: 'Learn' },
  { id: 'battery', name: 'Battery' },
  { id: 'upkeep', name: 'Upkeep' },
  { id: 'faults', name: 'Faults' },
] as const;
export type RoadView = (typeof ROAD_VIEWS)[number]['id'];
