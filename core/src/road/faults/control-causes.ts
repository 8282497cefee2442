import { isThrottle } from '../../document/throttle.ts';
import { NOW_AND_THEN as NOW, OFTEN, SELDOM, cause, type Cause } from './cause.ts';
import { WHEEL_UP } from './look.ts';
import { byCheck, bySettings, cannot, lessLikely, likelier, type FaultScene } from './scene.ts';

const noThrottle = ({ build }: FaultScene) =>
  isThrottle(build) || build.controls.throttle === 'walk' ? undefined : cannot('no throttle is fitted');
const noSensor = ({ build }: FaultScene) =>
  build.controls.assistSensor === 'none' ? cannot('no sensor at the pedals') : undefined;
const noBrakeSwitch = ({ build }: FaultScene) =>
  build.controls.brakeCutoffs === 'no' ? cannot('the brakes have no switches') : undefined;

/** From the hand and the foot to the controller, and what the controller was told. */
export const CONTROL_CAUSES: readonly Cause[] = [
  cause(
    'throttle-rests-high',
    'Throttle rests above its start: magnet shifted, ground open, or wet',
    'bench',
    { 'runs-on': OFTEN },
    'Replace it; or set its start above the resting volts that were measured.',
    { caution: WHEEL_UP, fit: (s) => noThrottle(s) ?? bySettings(s, ['throttle-start']) },
  ),
  cause(
    'throttle-lead',
    'Throttle’s lead or plug: broken, or pins out of place',
    'wire',
    { 'no-drive': OFTEN, jerks: NOW },
    'Supply, ground and signal pin by pin; bend the lead while the meter looks on.',
    { fit: noThrottle },
  ),
  cause(
    'brake-switch-held',
    'A brake switch stays closed and holds the motor off',
    'bench',
    { 'no-drive': OFTEN, jerks: SELDOM },
    'Free the lever, move its magnet, or replace the switch: the brake’s sign goes out with the lever let go.',
    { fit: noBrakeSwitch },
  ),
  cause(
    'brake-switch-dead',
    'The brake switches do not act',
    'bench',
    { 'runs-on': NOW },
    'Plug by plug to the lever; until they act it is ridden with power off.',
    {
      fit: (s) =>
        s.build.controls.brakeCutoffs === 'no' ? likelier('the brakes have no switches') : undefined,
    },
  ),
  cause(
    'assist-sensor',
    'Assist sensor: gap, ring the wrong way round, or its lead',
    'bench',
    { 'no-drive': OFTEN, jerks: NOW, 'runs-on': SELDOM },
    'Gap of 1 to 3 mm, arrow forwards, every magnet there, plug home.',
    { fit: noSensor },
  ),
  cause(
    'assist-lag',
    'Help stops late after the pedals: as a sensor of cadence does, or as it is set',
    'setup',
    { 'runs-on': OFTEN },
    'Shorten its time, raise the magnets’ count, or have the brakes’ switches cut it.',
    {
      fit: (s) =>
        noSensor(s) ??
        (s.build.controls.assistSensor === 'cadence'
          ? likelier('a sensor of cadence sees the end of pedalling late')
          : lessLikely('a sensor of torque sees it at once')),
    },
  ),
  cause(
    'cruise',
    'Cruise control has taken the speed over',
    'setup',
    { 'runs-on': NOW },
    'Off in the settings, unless it is wanted and allowed where it is ridden.',
    { fit: noThrottle },
  ),
  cause(
    'display',
    'Display or its lead: no power, or it speaks another protocol',
    'buy',
    { dark: NOW, 'no-drive': NOW },
    'The display’s own plug first; then one of the controller’s protocol.',
  ),
  cause(
    'controller-dead',
    'Controller dead: its bridge is shorted or it does not wake',
    'power',
    { dark: NOW, 'no-drive': NOW, grinds: NOW, spark: NOW, jerks: SELDOM, 'runs-on': SELDOM },
    'Replace it, and find what killed it: volts above its rating, a crossed plug, water, phase leads that touched.',
    { caution: 'Its capacitors hold their charge for minutes.', fit: (s) => byCheck(s, 'controller-volts') },
  ),
  cause(
    'set-low',
    'Amps, level or limit set lower than planned',
    'setup',
    { weak: OFTEN, 'no-drive': SELDOM },
    'Read every setting back and put the plan’s in.',
    { fit: (s) => bySettings(s, ['battery-amps', 'phase-amps', 'most-help', 'help-ends', 'levels']) },
  ),
  cause(
    'limit-acts',
    'The speed limit ends the help, as it should',
    'law',
    { weak: NOW, 'cuts-out-full': NOW },
    'Nothing is wrong. Another limit is another class: Law says which.',
    {
      fit: ({ build, topLimit }) => {
        if (!build.controller.limitsSpeed) return cannot('no limit is set');
        return topLimit === 'speed-limit' ? likelier('its top speed is the limit’s') : undefined;
      },
    },
  ),
  cause(
    'roll-out-wrong',
    'Wheel size or magnets set wrong',
    'setup',
    { 'wrong-speed': OFTEN, weak: SELDOM },
    'Set up finds the setting by the ratio of shown and true. Mend it before the limit is trusted: it acts at the wrong speed too.',
    { fit: (s) => bySettings(s, ['roll-out', 'poles']) },
  ),
  cause(
    'miles',
    'Miles against kilometres',
    'setup',
    { 'wrong-speed': OFTEN },
    'The display’s unit. Look what the limit is meant in before it is trusted.',
  ),
  cause(
    'speed-magnet',
    'Speed magnet or its sensor has moved, or counts twice',
    'bench',
    { 'wrong-speed': NOW, weak: SELDOM, 'cuts-out-full': SELDOM },
    'Back to its gap; one count a turn.',
  ),
  cause(
    'counts-motor',
    'Speed is counted at the motor, which stands while the wheel coasts',
    'setup',
    { 'wrong-speed': NOW },
    'A magnet at the wheel, and the display told so. Distance is short by every metre that was coasted.',
    { fit: ({ build }) => (build.drive.freewheel ? undefined : cannot('the motor turns with the wheel')) },
  ),
  cause(
    'wet',
    'Water in a plug, the throttle or the motor',
    'wire',
    { jerks: NOW, 'no-drive': NOW, 'runs-on': NOW, dark: SELDOM, noise: SELDOM },
    'Dry it for a day, then seal it; drip loops before every box.',
  ),
];
