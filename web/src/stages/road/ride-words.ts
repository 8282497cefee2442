import {
  convert,
  doubtOf,
  figureState,
  firstOf,
  formatNumber,
  headlineOf,
  isCut,
  leaningOf,
  phraseText,
  qty,
  rideState,
  shownUnit,
  unitText,
  type RideFigure,
  type RideFigureId,
  type RideKept,
  type RideRecord,
  type RideTold,
  type State,
  type Unit,
  type UnitSystem,
} from '@apple-cart/core';

interface FigureLook {
  readonly name: string;
  readonly unit: Unit;
  readonly digits: number;
  /** Off by a share of the plan, or by so much in the unit. */
  readonly off: 'share' | 'unit';
}

export const FIGURE_LOOKS: Readonly<Record<RideFigureId, FigureLook>> = {
  energy: { name: 'Energy', unit: 'Wh', digits: 0, off: 'share' },
  'per-km': { name: 'Energy by distance', unit: 'Wh/km', digits: 1, off: 'share' },
  minutes: { name: 'Time moving', unit: 'min', digits: 1, off: 'share' },
  top: { name: 'Top speed', unit: 'km/h', digits: 1, off: 'unit' },
  winding: { name: 'Hottest winding', unit: 'C', digits: 0, off: 'unit' },
  'volts-after': { name: 'Volts at the end', unit: 'V', digits: 1, off: 'unit' },
};

const signed = (value: number, digits: number): string => {
  const text = formatNumber(Math.abs(value), digits);
  if (Number(text.replace(',', '.')) === 0) return text;
  return `${value > 0 ? '+' : '−'}${text}`;
};

/** By how much what was measured is off the plan, in words: "+6 %", "−0.3 km/h", "+11 K". */
export function offWords(figure: RideFigure, system: UnitSystem): string {
  const { unit, digits, off } = FIGURE_LOOKS[figure.id];
  if (off === 'share') return `${signed(100 * (figure.measured / figure.plan - 1), 0)} %`;
  const shown = shownUnit(unit, system);
  if (unit === 'C') {
    const factor = convert(1, 'C', shown) - convert(0, 'C', shown);
    return `${signed((figure.measured - figure.plan) * factor, 0)} ${shown === 'F' ? '°F' : 'K'}`;
  }
  const difference = convert(figure.measured, unit, shown) - convert(figure.plan, unit, shown);
  return `${signed(difference, digits)} ${unitText(shown)}`;
}

/** A figure's number in the reader's unit. */
export function figureText(
  id: RideFigureId,
  value: number,
  system: UnitSystem,
): { text: string; unit: string } {
  const { unit, digits } = FIGURE_LOOKS[id];
  const shown = shownUnit(unit, system);
  return { text: formatNumber(convert(value, unit, shown), digits), unit: unitText(shown) };
}

/** How the plan stands by one ride: a state, a few words for a row, and the sentence that heads its sheet. */
export interface RideStands {
  readonly state: State;
  readonly off: string;
  readonly title: string;
}

function noPlan(told: RideTold | undefined): string {
  if (told === undefined) return 'The plan has not been asked yet';
  if (told.figures.length === 0 && told.road === 'none') return 'No road to hold it against';
  return told.windKnown ? 'Nothing was read that the plan says' : 'Nobody noted the wind';
}

export function rideStands(
  { ride: { kind }, told }: Pick<RideKept, 'ride' | 'told'>,
  system: UnitSystem,
): RideStands {
  const state = rideState(kind, told);
  const figure = told === undefined ? undefined : headlineOf(kind, told);
  if (kind === 'coast-down')
    return { state: 'unknown', off: 'drag', title: 'It tells drag and rolling: see Learn' };
  if (figure === undefined) return { state: 'unknown', off: 'no plan', title: noPlan(told) };
  const off = offWords(figure, system);
  if (told !== undefined && doubtOf(told) === 'stand-in')
    return { state, off: 'no plan', title: `${off} to a plan ${told.standsIn}: nobody has read its own` };
  if (state === 'unknown')
    return { state, off: 'no wind', title: `${off} to the plan, and nobody noted the wind` };
  const leaning = leaningOf(figure);
  const by = off.replace(/^[+−]/, '');
  const title = firstOf([[leaning === 'holds', 'The plan holds']], `The plan was ${by} ${leaning}`);
  return { state, off, title };
}

/** What a figure says, in a word or two. */
export function saysWords(
  figure: RideFigure,
  told: Pick<RideTold, 'windKnown' | 'standsIn'>,
): { readonly state: State; readonly words: string } {
  const leaning = leaningOf(figure);
  const spread = figure.high - figure.low;
  const span = figure.measured < figure.plan ? figure.plan - figure.low : figure.high - figure.plan;
  const off = Math.abs(figure.measured - figure.plan);
  const doubt = doubtOf(told);
  const state: State = doubt === undefined ? figureState(figure) : 'unknown';
  const inside = firstOf(
    [
      [doubt === 'stand-in', told.standsIn],
      [doubt === 'wind', 'wind not noted'],
      [state === 'fine' && leaning !== 'holds' && off > 0.8 * span && spread > 0, 'inside, just'],
      [state === 'fine', 'inside'],
      [state === 'look', 'outside'],
    ],
    'far outside',
  );
  return { state, words: leaning === 'holds' ? `as planned, ${inside}` : `${leaning}, ${inside}` };
}

/** A ride by its title and its day. */
export function rideNamed({ title, on }: Pick<RideRecord, 'title' | 'on'>): string {
  const when = new Date(`${on}T12:00:00`).toLocaleDateString('en-GB', {
    weekday: 'long',
    day: 'numeric',
    month: 'short',
  });
  return [title, when].filter((w) => w !== '').join(', ');
}

/** The day as it was noted: air, wind, ground, load; and who says so. */
export function dayWords({ ride, corrected, at }: RideKept, system: UnitSystem): string {
  const noted = (value: number, unit: Unit): string => phraseText([qty(value, unit, 0)], system);
  const parts = [
    ride.airC === null ? 'air not noted' : noted(ride.airC, 'C'),
    ride.windMs === null ? 'wind not noted' : `wind ${noted(ride.windMs, 'm/s')}`,
    ride.ground,
    ...(ride.loadKg === null ? [] : [`${noted(ride.loadKg, 'kg')} carried`]),
    ...(ride.pedalled === 'unknown' ? [] : [ride.pedalled === 'yes' ? 'pedalled' : 'not pedalled']),
    ...(ride.level === null ? [] : [`level ${String(ride.level)}`]),
    ...(ride.toldBy === 'unknown' ? [] : [`told by ${ride.toldBy}`]),
    ...(ride.note === '' ? [] : [`“${ride.note}”`]),
    `written by ${ride.who}`,
    ...(isCut(ride) ? ['a part of its recording is the ride'] : []),
    ...(corrected > 0 ? [`put right ${corrected === 1 ? 'once' : `${String(corrected)} times`}`] : []),
    ...(at === '' ? ['kept in this browser, not yet on the server'] : []),
    ...(ride.simulated ? ['simulated: a stand-in rode it'] : []),
  ];
  return `${parts.join('; ')}.`;
}
