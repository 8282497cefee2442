import { NOW_AND_THEN as NOW, OFTEN, SELDOM, cause, type Cause } from './cause.ts';
import { COLD_C, byCheck, byLink, cannot, lessLikely, likelier, type FaultScene, type Fit } from './scene.ts';
import { isHubMotor } from '../../document/choices.ts';
import { qty } from '../../quantity/phrase.ts';

/** A wheel of a bicycle carries this much of machine, rider and load without being built for more, kg. Common practice, no source. */
const USUAL_LOAD_KG = 140;

const hubOnly = (s: FaultScene): Fit | undefined =>
  isHubMotor(s.build) ? undefined : cannot('the motor is not in the wheel');
const sensored = ({ build }: FaultScene): Fit | undefined =>
  build.drive.commutation === 'brushes' ? cannot('a motor with brushes has none') : undefined;
const cold = ({ airC }: FaultScene): Fit | undefined =>
  airC !== undefined && airC <= COLD_C ? likelier('planned for ', qty(airC, 'C', 0)) : undefined;

/** From the controller's phases to the road. */
export const DRIVE_CAUSES: readonly Cause[] = [
  cause(
    'motor-plug',
    'The motor’s plug: a contact open, loose or hot',
    'wire',
    { jerks: OFTEN, grinds: NOW, hot: NOW, weak: NOW, 'no-drive': NOW },
    'Every contact home, crimps pulled at; a contact that has browned is replaced on both sides.',
    {
      caution: 'Pack unplugged before a plug is opened.',
      fit: (s) => byLink(s, ['phase-plug', 'phase-leads']),
    },
  ),
  cause(
    'hall-line',
    'A rotor sensor or its line: open, crossed or wet',
    'wire',
    { jerks: OFTEN, grinds: OFTEN, 'no-drive': NOW, weak: SELDOM, noise: SELDOM },
    'Wire finds the line: each goes up and down as the wheel turns by hand. Its pin, its lead, then the sensor.',
    { fit: sensored },
  ),
  cause(
    'phase-order',
    'Phases and sensors joined in the wrong order',
    'wire',
    { grinds: OFTEN, jerks: NOW, hot: NOW, weak: NOW, noise: SELDOM },
    'Wire leads through the orders at low current, wheel off the ground.',
    { fit: sensored },
  ),
  cause(
    'brushes-worn',
    'Brushes worn, or the commutator burnt',
    'drive',
    { weak: OFTEN, jerks: NOW, 'no-drive': NOW, noise: NOW },
    'New brushes; a burnt commutator is turned and undercut by whoever rewinds motors.',
    { fit: ({ build }) => (build.drive.commutation === 'brushes' ? undefined : cannot('it has no brushes')) },
  ),
  cause(
    'motor-hot',
    'The motor is too hot and is held back, or should be',
    'hill',
    { hot: OFTEN, weak: OFTEN, 'cuts-out-hills': NOW },
    'Less current, a rest, and a lower gear where the motor pulls through the gears; Hill says after how many minutes. Fluid or another winding if the hill stays.',
    {
      caution: 'A can that smells of varnish has been damaged already.',
      fit: ({ heat }) => {
        if (heat.state === 'unknown') return undefined;
        return heat.state === 'fine'
          ? lessLikely('on its own hill: ', ...heat.words)
          : likelier('on its own hill: ', ...heat.words);
      },
    },
  ),
  cause(
    'controller-hot',
    'The controller holds back by its own heat',
    'hill',
    { weak: NOW, hot: NOW, 'cuts-out-hills': NOW },
    'Into the wind or onto metal, and out of its bag.',
    {
      fit: ({ build: { controller } }) =>
        controller.place === 'box' ? likelier('it sits in a bag or box') : undefined,
    },
  ),
  cause(
    'gears-worn',
    'Gears inside the motor worn or stripped',
    'drive',
    { noise: OFTEN, grinds: OFTEN, weak: SELDOM, 'no-drive': SELDOM },
    'Open, look at the teeth, replace the set and grease it.',
    {
      fit: ({ build: { drive } }) =>
        drive.kind === 'geared-hub' || drive.kind === 'mid-drive'
          ? undefined
          : cannot('it has no gears inside'),
    },
  ),
  cause(
    'clutch-slips',
    'The motor’s freewheel slips: stiff grease or worn rollers',
    'drive',
    { 'runs-free': OFTEN, 'no-drive': SELDOM, grinds: SELDOM },
    'Clean it out and use thin grease; worn rollers are replaced.',
    {
      fit: (s) => (s.build.drive.freewheel ? cold(s) : cannot('the motor has no freewheel')),
    },
  ),
  cause(
    'pawls-stick',
    'Pawls of the freewheel or cassette body stick',
    'donor',
    { 'runs-free': OFTEN, noise: SELDOM },
    'Thin oil in, old grease out; indoors for an hour tells at once.',
    { caution: 'Legs that drop through throw a rider: not in traffic until it holds.', fit: cold },
  ),
  cause(
    'axle-turns',
    'Axle nuts loose, or the axle turns in its dropouts',
    'donor',
    { noise: NOW, jerks: NOW, dark: SELDOM },
    'Stop riding. Torque arms on both sides, nuts to their torque, the lead looked at where it leaves the axle.',
    {
      caution: 'An axle that turns tears its lead off and drops the wheel out.',
      fit: (s) => hubOnly(s) ?? byCheck(s, 'torque-arms'),
    },
  ),
  cause(
    'spokes-settle',
    'New spokes settle, or their tension is uneven',
    'bench',
    { spokes: OFTEN, noise: SELDOM },
    'Bring up evenly, after 50 km and again after 300; thread locker on straight ones.',
    { fit: (s) => byCheck(s, 'spokes') },
  ),
  cause(
    'spoke-angle',
    'Spokes leave a large hub at a steep angle and bend at the nipple',
    'donor',
    { spokes: NOW },
    'One cross or none, or a rim drilled at an angle.',
    { fit: hubOnly },
  ),
  cause(
    'overloaded',
    'The wheel carries more than it was built for',
    'donor',
    { spokes: NOW },
    'Thicker spokes, a stronger rim, or less load.',
    {
      fit: ({ massKg }) => {
        if (massKg === undefined) return undefined;
        return massKg > USUAL_LOAD_KG
          ? likelier(qty(massKg, 'kg', 0), ' on the road')
          : lessLikely(qty(massKg, 'kg', 0), ' on the road');
      },
    },
  ),
  cause(
    'chain',
    'Chain dry, worn, too long or out of line',
    'drive',
    { noise: OFTEN, jerks: NOW, grinds: SELDOM, 'runs-free': SELDOM },
    'Chain gauge, links counted, the line looked along; a mid-drive wears it sooner.',
    { fit: (s) => byCheck(s, 'chainline') },
  ),
  cause(
    'brake-rubs',
    'Brake rubs',
    'donor',
    { noise: OFTEN, weak: NOW, hot: SELDOM },
    'Caliper centred, rotor trued, washers behind it counted again.',
    { fit: (s) => byCheck(s, 'caliper-gap') },
  ),
  cause(
    'bearing',
    'A bearing dry or worn',
    'donor',
    { noise: NOW, grinds: SELDOM, weak: SELDOM },
    'Turned by hand with the chain off: the one that grumbles is replaced.',
  ),
  cause(
    'winding-ends',
    'The winding ends it: no more speed in these volts',
    'power',
    { weak: NOW },
    'Nothing is wrong. More volts or another winding, if it is to be faster, and Law first.',
    {
      fit: ({ topLimit }) => {
        if (topLimit === undefined) return undefined;
        return topLimit === 'voltage'
          ? likelier('its top speed is the volts’')
          : lessLikely('its top speed is not the volts’');
      },
    },
  ),
];
