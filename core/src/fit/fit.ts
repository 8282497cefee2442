import { axleChecks } from './axle-checks.ts';
import { batteryChecks } from './battery-checks.ts';
import { bracketChecks } from './bracket-checks.ts';
import { brakeChecks } from './brake-checks.ts';
import type { Check } from '../check/check.ts';
import { controlsChecks } from './controls-checks.ts';
import { externalChecks } from './external-checks.ts';
import { frameChecks, otherEndChecks } from './frame-checks.ts';
import { drivenAsMade, stays } from '../document/kept.ts';
import { keptChecks } from './kept-checks.ts';
import { loadChecks } from './load-checks.ts';
import type { Subject } from './subject.ts';
import { wheelChecks } from './wheel-checks.ts';

/** Asked of a motor that goes in, and of none that stays where its maker put it. */
const OF_GOING_IN: ReadonlySet<string> = new Set([
  ...['axle-kind', 'slot-width', 'slot-play', 'axle-slot'],
  ...['hub-width', 'hub-narrow', 'axle-length', 'disc-mount', 'caliper-gap', 'rotor-size', 'spokes'],
  ...['shell-width', 'shell-bore', 'gearbox-stay', 'ground', 'crank-tool', 'cog-body'],
]);
/** Asked of a rim that is another than the donor’s own. */
const RIM_CHECKS: ReadonlySet<string> = new Set(['ride-height', 'brake-reach']);
/** Asked of a motor that pulls harder than the maker of frame and motor meant. */
const OF_ITS_PULL: ReadonlySet<string> = new Set([
  'material',
  'slot-depth',
  'dropout-plate',
  'torque-arms',
  'anti-rotation',
  'spread-driving',
  'spread-braking',
]);

/** What need not be asked of what stays of an electric donor. */
function isSettled({ build }: Subject): (check: Check) => boolean {
  const motor = stays(build, 'motor');
  const asMade = drivenAsMade(build);
  const sensors = stays(build, 'sensors');
  return ({ id }) => {
    const own = id.replace(/^other-/, '');
    return (
      (motor && (OF_GOING_IN.has(own) || (RIM_CHECKS.has(own) && !build.donor.bothRims))) ||
      (asMade && OF_ITS_PULL.has(own)) ||
      (sensors && own === 'sensor-ring')
    );
  };
}

/** Every fit check that this build calls for, in the order of the walk round the bicycle. */
export const fitChecks = (s: Subject): readonly Check[] => {
  const settled = isSettled(s);
  return everyCheck(s).filter((check) => !settled(check));
};

const everyCheck = (s: Subject): readonly Check[] => [
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
