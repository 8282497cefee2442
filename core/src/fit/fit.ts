import { axleChecks } from './axle-checks.ts';
import { batteryChecks } from './battery-checks.ts';
import { bracketChecks } from './bracket-checks.ts';
import { brakeChecks } from './brake-checks.ts';
import type { Check } from '../check/check.ts';
import { controlsChecks } from './controls-checks.ts';
import { externalChecks } from './external-checks.ts';
import { frameChecks, otherEndChecks } from './frame-checks.ts';
import { keptChecks } from './kept-checks.ts';
import { loadChecks } from './load-checks.ts';
import type { Subject } from './subject.ts';
import { wheelChecks } from './wheel-checks.ts';

/** Every fit check that this build calls for, in the order of the walk round the bicycle. */
export const fitChecks = (s: Subject): readonly Check[] => [
  ...frameChecks(s),
  ...axleChecks(s),
  ...otherEndChecks(s),
  ...wheelChecks(s),
  ...bracketChecks(s),
  ...batteryChecks(s),
  ...loadChecks(s),
  ...brakeChecks(s),
  ...externalChecks(s),
  ...controlsChecks(s),
  ...keptChecks(s),
];
