import { counted } from '../../quantity/format.ts';
import type { BuildDocument } from '../../document/document.ts';
import { massesOf, stays } from '../../document/kept.ts';
import { moneyText } from '../../quantity/money.ts';
import type { Ledger } from '../../workshop/parts-list/ledger.ts';
import { qty } from '../../quantity/phrase.ts';
import type { State } from '../../check/state.ts';
import { inputRow, stepRow, type Figure, type WorkingRow } from '../figure.ts';
import type { Study } from '../study.ts';

/** What the machine is added up from: a donor is weighed with what stays bolted to it. */
function addedUp(build: BuildDocument): string {
  const kept = (['motor', 'controller'] as const).filter((part) => stays(build, part));
  const along = kept.length === 0 ? '' : `, weighed with its ${kept.join(' and ')},`;
  const rest = [
    ...(stays(build, 'motor') ? [] : ['motor']),
    'pack',
    ...(stays(build, 'controller') ? [] : ['controller and fittings']),
  ];
  return `machine = donor${along} + ${rest.join(' + ')}`;
}

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
        formulas: [addedUp(study.build), 'on the road = machine + rider + load + trailer'],
        inputs: [
          ...massesOf(study.build, known),
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

/** How a total stands against the budget, in words. */
function priceWords(
  { budget, currency }: BuildDocument['money'],
  { unpriced, total, sendingUnknown }: Ledger,
): string {
  if (budget !== null && total.least > budget) {
    const over = moneyText(total.least - budget, currency);
    return unpriced > 0 || sendingUnknown > 0 ? `${over}+ over budget` : `${over} over budget`;
  }
  if (unpriced > 0) return `${String(unpriced)} without a price`;
  if (sendingUnknown > 0) return `sending not known of ${String(sendingUnknown)}`;
  if (budget === null) return 'no budget set';
  const over = total.most - budget;
  return `${moneyText(Math.abs(over), currency)} ${over > 0 ? 'over' : 'under'} budget`;
}

/** A span of money; one sum where both ends are the same, and more where something is of no known price at all. */
export function spanText({ total, noIdea }: Ledger, currency: string): string {
  const [least, most] = [moneyText(total.least, currency), moneyText(total.most, currency)];
  return `${least === most ? least : `${least}–${most.replace(/^[^\d]+/, '')}`}${noIdea > 0 ? '+' : ''}`;
}

/** The total of the parts list, tools apart; what has no price is said, never counted as nought in silence. */
export function priceFigure({ build: { money } }: Study, ledger: Ledger): Figure {
  const { any, total, unpriced, noIdea, sendingUnknown } = ledger;
  const over = money.budget !== null && total.most > money.budget;
  const settled: State = unpriced > 0 || sendingUnknown > 0 || over ? 'look' : 'fine';
  const text = (amount: number): string => moneyText(amount, money.currency);
  const row = (label: string, value: number): WorkingRow => stepRow('', label, text(value), '1');
  return {
    id: 'price',
    label: 'Price',
    state: any ? settled : 'unknown',
    value: any ? total.least : undefined,
    upTo: any && total.most > total.least ? total.most : undefined,
    unit: '1',
    words: any ? spanText(ledger, money.currency) : 'Not known',
    condition: [priceWords(money, ledger)],
    get working() {
      return {
        formulas: ['price = sum of the parts list, tools apart, and what is paid for sending'],
        inputs: [],
        steps: [
          row('Owned', ledger.owned),
          row('Ordered, arrived or fitted', ledger.spent),
          row('Still to buy, priced', ledger.toBuy),
          row('Sending', ledger.sending),
          row('Everything else', ledger.rest),
          row('Known so far', ledger.known),
          row(`Likely for what has no price, at least (${counted(unpriced, 'line')})`, ledger.likely.least),
          row('Likely at most', ledger.likely.most),
          stepRow('', 'Budget', money.budget === null ? 'not set' : text(money.budget), '1'),
        ],
        sources: [
          'Prices as entered with each line of the parts list; likely ones are the least and most of the shelf.',
        ],
        leftOut: [
          ...(noIdea > 0
            ? [`${counted(noIdea, 'line')} of which the shelf knows no price: the total is more than this.`]
            : []),
          ...(ledger.sendingUnknown > 0
            ? [`What ${String(ledger.sendingUnknown)} suppliers take for sending is not known.`]
            : []),
          'Tools are counted apart: they stay with the shop.',
        ],
      };
    },
  };
}
