import { hasBoard } from '../../document/pack-board.ts';
import { qty } from '../../quantity/phrase.ts';
import { NOW_AND_THEN as NOW, OFTEN, SELDOM, cause, type Cause } from './cause.ts';
import {
  COLD_C,
  byCheck,
  byLink,
  bySettings,
  cannot,
  lessLikely,
  likelier,
  type FaultScene,
} from './scene.ts';

const noBoard = ({ build }: FaultScene): boolean => build.packs.every((pack) => !hasBoard(pack));
const onePack = ({ build }: FaultScene): boolean => build.packs.length < 2;
const OPEN_PACK =
  'Lithium cells: no opened pack, no bypassed board. Its maker or a licensed workshop decides.';

/** From the cells to the controller's plug. */
export const SUPPLY_CAUSES: readonly Cause[] = [
  cause(
    'switch-open',
    'Switch, key, breaker or pull-plug open',
    'wire',
    { dark: OFTEN, 'one-battery': NOW },
    'Close it; measure behind it. A switch that is closed and passes nothing is replaced.',
  ),
  cause(
    'fuse-gone',
    'Fuse gone, or breaker dropped out',
    'power',
    { dark: OFTEN, 'cuts-out-full': NOW, 'cuts-out-hills': SELDOM },
    'Find what took it first; then the same amps, made for direct current at the full pack’s volts. Never a larger one.',
    {
      fit: (s) =>
        s.build.cabling.protection === 'none' ? cannot('the build has no fuse') : byLink(s, ['fuse']),
    },
  ),
  cause(
    'board-open',
    'Protection board has switched off',
    'power',
    { dark: OFTEN, 'cuts-out-hills': OFTEN, 'cuts-out-full': OFTEN, 'one-battery': NOW },
    'Take the load off, or join the charger: most boards close again. Then ask less: battery amps below what the board carries, or a pack that carries them.',
    {
      caution: OPEN_PACK,
      fit: (s) => (noBoard(s) ? cannot('the pack has no board') : byLink(s, ['bms'])),
    },
  ),
  cause(
    'pack-empty',
    'Pack empty, or near its cut-off',
    'range',
    { 'cuts-out-hills': OFTEN, weak: OFTEN, dark: NOW, 'cuts-out-full': NOW, 'one-battery': NOW },
    'Charge it. If it comes too early, the range band and the battery book say whether the pack or the road is to blame.',
  ),
  cause(
    'tired-cells',
    'Cells tired, or one group weak',
    'power',
    { 'cuts-out-full': OFTEN, weak: OFTEN, 'cuts-out-hills': NOW, hot: SELDOM },
    'Compare the groups at rest and after a ride; ask fewer amps until the pack is replaced.',
    { caution: OPEN_PACK, fit: (s) => byLink(s, ['cells']) },
  ),
  cause(
    'cold-pack',
    'Cold pack: it sags, and its board holds back',
    'range',
    { 'cuts-out-hills': NOW, 'cuts-out-full': NOW, weak: NOW },
    'Bring it in before the ride, bag it on the ride. Never charge lithium below freezing.',
    {
      fit: ({ airC, build }) => {
        if (airC === undefined) return undefined;
        if (airC > COLD_C + 5) return lessLikely('planned for ', qty(airC, 'C', 0));
        return airC <= COLD_C && build.packs.some((p) => p.kept !== 'indoors')
          ? likelier('planned for ', qty(airC, 'C', 0), ', and not said to be kept indoors')
          : undefined;
      },
    },
  ),
  cause(
    'cut-off-high',
    'Low-volt cut-off set for another pack',
    'setup',
    { 'one-battery': OFTEN, 'cuts-out-hills': NOW, 'cuts-out-full': NOW, dark: SELDOM, weak: SELDOM },
    'Set start and end of the cut-off by the cells in series of the pack in use, above its board’s.',
    { fit: (s) => bySettings(s, ['low-volts', 'low-volts-fold']) },
  ),
  cause(
    'loose-plug',
    'Plug, lug or fuse holder loose or burnt',
    'wire',
    {
      dark: OFTEN,
      hot: OFTEN,
      'cuts-out-full': NOW,
      'cuts-out-hills': NOW,
      jerks: NOW,
      weak: SELDOM,
      spark: SELDOM,
    },
    'Replace both halves, crimped or soldered full; a browned contact is never only cleaned.',
    {
      caution: 'Pack unplugged before a plug is opened.',
      fit: (s) => byLink(s, ['plug', 'rings', 'pull-plug', 'tail']),
    },
  ),
  cause(
    'thin-lead',
    'Lead too thin or too long: volts are lost on the way',
    'wire',
    { hot: NOW, weak: NOW, 'cuts-out-full': SELDOM },
    'The gauge that the chain asks for, as short as it goes.',
    { fit: (s) => byCheck(s, 'lead-drop') ?? byLink(s, ['leads']) },
  ),
  cause(
    'capacitors',
    'Empty capacitors of the controller fill: usual without a pre-charge',
    'wire',
    { spark: OFTEN },
    'An anti-spark plug or a pre-charge resistor; contacts that are pitted already are replaced.',
    {
      fit: (s) => {
        const { inrush } = s.build.cabling;
        if (inrush === 'anti-spark' || inrush === 'resistor')
          return lessLikely('the build has something against it');
        return inrush === 'none' ? likelier('nothing holds the rush back') : undefined;
      },
    },
  ),
  cause(
    'short',
    'A short or turned polarity behind the plug',
    'wire',
    { spark: NOW, dark: SELDOM },
    'Find it with the pack away: ohms across the controller’s plug, plug by plug. The fuse, the board and the controller are looked at before power comes again.',
    { caution: 'Do not join the pack again to look: a short burns plug, lead and hand.' },
  ),
  cause(
    'join',
    'Switch, diodes or leads between the packs',
    'power',
    { 'one-battery': OFTEN, dark: SELDOM },
    'Measure before and behind the joint with each pack alone; what passes nothing is replaced.',
    { fit: (s) => (onePack(s) ? cannot('there is one pack') : byLink(s, ['join'])) },
  ),
  cause(
    'packs-unlike',
    'Packs at unlike volts: the higher one carries until they are level',
    'power',
    { 'one-battery': OFTEN },
    'Usual behind diodes. By a switch: use one to its end, then the other. Joined directly only within half a volt.',
    {
      caution: 'Never join packs directly that differ by more than half a volt.',
      fit: (s) => {
        if (onePack(s)) return cannot('there is one pack');
        return s.build.joining.how === 'combiner' ? likelier('they come together through diodes') : undefined;
      },
    },
  ),
];
