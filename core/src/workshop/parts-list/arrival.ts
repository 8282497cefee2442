import type { KnownBuild } from '../../document/known-build.ts';
import type { Row } from './purchase-list.ts';

/** What is looked at when a thing comes, before it is fitted, by rule: what is wrong is sent back unused. Common practice, no source. */
const AS_IT_COMES: Readonly<Record<string, readonly string[]>> = {
  donor: ['No crack at welds and dropouts', 'Fork and headset sound', 'Nothing bent or seized'],
  motor: [
    'Turns by hand without scraping',
    'Axle threads neither bent nor crossed',
    'Its cap, nuts and washers are there',
    'Leads not nicked, pins of its plugs straight',
  ],
  controller: [
    'Volts and amps on its label as ordered',
    'Nothing rattles in it',
    'Every plug with all its pins, straight',
  ],
  pack: [
    'Not swollen, dented, wet or warm',
    'Volts and amp-hours on its label as ordered',
    'Label names its maker and the tests it passed',
  ],
  cells: ['None dented, none with a torn sleeve', 'All of one batch', 'Volts of all within a few hundredths'],
  charger: ['Its label names the volts of this pack', 'Made for your mains, case and lead whole'],
  board: ['Balance leads: as many as the groups, and one', 'Nothing loose on it'],
  'disc-spacers': ['Rotor flat and without oil', 'Its bolts long enough for the shims'],
  'caliper-adapter': ['Bolts of the right length'],
  'brake-pads': ['Of this caliper’s shape', 'No oil or brake fluid on pads or rotor'],
  'brake-sensors': ['Opens and closes by the meter over the lever’s first millimetres'],
  'torque-arms': ['Fits the flats without play'],
  chain: ['Both joining links are there'],
  'long-nuts': ['Run on the axle’s thread by hand'],
  'axle-washers': ['The tab goes into the slot'],
  'shell-sleeve': ['Slides over the tube and into the shell by hand'],
  'gearbox-spacers': ['Go over the tube'],
  display: ['Its plug and pin count are those of the controller’s'],
  throttle: ['Springs back by itself, from everywhere'],
  fuse: ['Volts of direct current stand on it'],
  plugs: ['Halves mate and hold', 'Contacts are for the lead’s size'],
  'battery-lead': ['Copper, not coated aluminium: a strand scraped', 'Size stands on the sleeve'],
  spokes: ['Three of them measured'],
};

/** What is looked at besides on a thing that was used before, by rule. Common practice, no source. */
const SECOND_HAND: Readonly<Record<string, readonly string[]>> = {
  donor: ['Frame number not scratched out, a receipt or a name with it'],
  motor: [
    'Ohms from phase to phase alike, none to the shell',
    'Bearings without play or grit',
    'Flats of the axle not rounded, its lead not twisted',
  ],
  controller: [
    'Never opened, or no burn and no swollen capacitor in it',
    'Each phase alike to plus and to minus, by the diode range',
    'For which motor and volts it was set, written down',
  ],
  pack: [
    'Age and full charges told, and written down in Power',
    'Capacity measured on a slow discharge, not read off the label',
    'Never opened, repaired or wet; no green on its contacts',
  ],
  cells: [
    'Out of what, and how old, written down',
    'Capacity of each measured, by name',
    'None came below the lowest volts of its data sheet',
  ],
  charger: ['Ends its charge and does not begin again, watched once'],
  board: ['For this chemistry and number of groups, by its print'],
  display: ['Wakes with this controller, and asks for no code'],
  'drive-chain': ['Chain gauge below 0.5 %'],
  chain: ['Chain gauge below 0.5 %'],
  cogs: ['No hooked teeth'],
  tyre: ['Sides without cracks, no cord in sight'],
  'torque-arms': ['Its flats not rounded'],
};

/** Of any other thing that was used before. */
const USED = 'Cleaned, measured and tried before it is paid for';

/** What is looked at on a thing of a rule as it comes. */
export function arrivalOf(rule: string, secondHand: boolean): readonly string[] {
  const always = AS_IT_COMES[rule] ?? [];
  return secondHand ? [...always, ...(SECOND_HAND[rule] ?? [USED])] : always;
}

/** Whether the thing of a row was used before: what comes along in a box is as old as what it comes with. */
export function isSecondHand(row: Row, rows: readonly Row[]): boolean {
  if (row.broughtBy === undefined || row.broughtBy === 'donor') return row.said.secondHand;
  return rows.some(({ key, said }) => key === row.broughtBy && said.secondHand);
}

/** Capacity left that nobody would count on of a used pack without having measured it, %. Common practice, no source. */
const AS_NEW_PCT = 95;

/**
 * What is still to be said of a used pack, or of used cells, so that its range is not counted as that of a new one; empty for
 * all else.
 */
export function askedOfUsed(row: Row, rows: readonly Row[], { packs }: Pick<KnownBuild, 'packs'>): string {
  const { line } = row;
  if (line === undefined || !['pack', 'cells'].includes(line.rule) || !isSecondHand(row, rows)) return '';
  const { healthPct, ageYears } = packs[line.pack ?? 0] ?? packs[0];
  if (healthPct.source === 'measured') return '';
  const counts = `${healthPct.value.toFixed(0)} % of its capacity`;
  if (healthPct.source === 'unknown' && ageYears.source === 'unknown')
    return `Second-hand, and neither its age nor what it still holds is said in Power: range counts on ${counts}.`;
  return healthPct.value >= AS_NEW_PCT
    ? `Second-hand, and Power counts on ${counts}, as of a new one: say its age, or measure it.`
    : '';
}
