import type { BuildDocument } from '../../document/document.ts';
import { moneyText } from '../../quantity/money.ts';
import { qty } from '../../quantity/phrase.ts';
import type { State } from '../../check/state.ts';
import { inputRow, stepRow, type Figure, type WorkingRow } from '../figure.ts';
import type { Study } from '../study.ts';

/** Mass of the machine, ready to ride. */
export function massFigure(study: Study): Figure {
  const { known, machine } = study;
  return {
    id: 'mass',
    label: 'Mass',
    state: 'fine',
    value: machine.machineMassKg,
    upTo: undefined,
    unit: 'kg',
    words: undefined,
    condition: [qty(machine.road.massKg, 'kg', 0), ' on the road'],
    get working() {
      return {
        formulas: [
          'machine = donor + motor + pack + controller and fittings',
          'on the road = machine + rider + load + trailer',
        ],
        inputs: [
          known.donor.massKg,
          known.drive.massKg,
          known.packs[0].massKg,
          known.controller.massKg,
          known.brief.riderMassKg,
          known.brief.loadMassKg,
          ...(study.build.brief.trailer === 'none' ? [] : [known.brief.trailerKg, known.brief.trailerLoadKg]),
        ].map((k, i) => inputRow(`m${String(i + 1)}`, k)),
        steps: [
          stepRow('', 'Machine', machine.machineMassKg, 'kg'),
          stepRow('', 'On the road', machine.road.massKg, 'kg'),
        ],
        sources: ['Addition.'],
        leftOut: ['The donor stage holds it against the maker’s permitted mass.'],
      };
    },
  };
}

export const PRICED = [
  ['donor', 'Donor'],
  ['motor', 'Motor'],
  ['pack', 'Pack'],
  ['controller', 'Controller'],
  ['other', 'Everything else'],
] as const;

/** How a sum of prices stands against the budget, in words. */
function priceWords({ budget, currency }: BuildDocument['money'], missing: number, over: number): string {
  if (missing > 0) return `${String(missing)} ${missing === 1 ? 'price' : 'prices'} missing`;
  if (budget === null) return 'no budget set';
  return `${moneyText(Math.abs(over), currency)} ${over > 0 ? 'over' : 'under'} budget`;
}

/** Price of what is known; a missing price is said, never counted as nought in silence. */
export function priceFigure({ build }: Study): Figure {
  const { money } = build;
  const known = PRICED.map(([key, label]) => ({ label, amount: money[key] }));
  const missing = known.filter((line) => line.amount === null).length;
  const sum = known.reduce((total, line) => total + (line.amount ?? 0), 0);
  const over = money.budget === null ? 0 : sum - money.budget;
  const settled = missing > 0 || over > 0 ? 'look' : 'fine';
  const state: State = missing === known.length ? 'unknown' : settled;
  const text = (amount: number): string => moneyText(amount, money.currency);
  return {
    id: 'price',
    label: 'Price',
    state,
    value: missing === known.length ? undefined : sum,
    upTo: undefined,
    unit: '1',
    words: missing === known.length ? 'Not known' : text(sum),
    condition: [priceWords(money, missing, over)],
    get working() {
      return {
        formulas: ['price = donor + motor + pack + controller + everything else'],
        inputs: known.map((line): WorkingRow => ({
          label: line.label,
          symbol: '',
          value: line.amount === null ? 'not known' : text(line.amount),
          unit: '1',
          source: line.amount === null ? 'unknown' : 'label',
          origin: '',
        })),
        steps: [
          stepRow('', 'Sum of what is known', text(sum), '1'),
          stepRow('', 'Budget', money.budget === null ? 'not set' : text(money.budget), '1'),
        ],
        sources: ['Prices as entered.'],
        leftOut: missing > 0 ? ['Missing prices are not counted.'] : [],
      };
    },
  };
}
