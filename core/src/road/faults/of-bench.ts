import type { SymptomId } from './symptom.ts';

/** What a hold point that fails is a sign of; points that name their own remedy, or ask for a look, are of none. */
const OF_POINTS: Readonly<Record<string, SymptomId>> = {
  'pack/volts': 'dark',
  'cold/on': 'dark',
  'power/display': 'dark',
  'sensors/supply': 'no-drive',
  'sensors/throttle-rest': 'runs-on',
  'sensors/throttle-full': 'no-drive',
  'sensors/torque-rest': 'no-drive',
  'sensors/assist': 'no-drive',
  'sensors/halls': 'jerks',
  'sensors/brakes': 'runs-on',
  'stand/speed': 'weak',
  'stand/idle': 'grinds',
  'stand/sound': 'grinds',
  'cutoffs/brake': 'runs-on',
  'cutoffs/pedals': 'runs-on',
  'cutoffs/speed': 'wrong-speed',
  'ride/rattles': 'noise',
  'later/again': 'spokes',
  'later/plugs': 'hot',
};

/**
 * The symptom to begin with where a hold point has failed; undefined where its own words say what to do.
 * @param key of the point; that of a second pack or motor is of the same kind
 */
export const symptomOfPoint = (key: string): SymptomId | undefined =>
  OF_POINTS[key.replace(/-(?:second|\d)$/, '')];
