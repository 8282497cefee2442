import { asked, measured, told, type Check } from '../check/check.ts';
import { accessoryDraw } from '../machine/accessories.ts';
import { qty } from '../quantity/phrase.ts';
import { EDGE, highestVolts, uncounted, type PowerSubject } from './subject.ts';

/** What feeds the low-volt accessories: large enough, for the volts, and no resistor that burns them off. */
export function supplyChecks({ build, known }: PowerSubject): readonly Check[] {
  const { accessories, means } = build.supply;
  const low = accessories.filter((a) => a.volts > 0);
  if (low.length === 0) return [];
  const group = 'supply' as const;
  const asks = [asked('what feeds the low-volt accessories', means)];
  if (means === 'resistor') {
    const wasted = low.reduce((sum, a) => sum + accessoryDraw(build, known, a).wastedW, 0);
    return [
      told({
        id: 'dropper',
        group,
        title: 'Lights behind a dropping resistor',
        state: 'look',
        words: 'resistor',
        limit: ['a converter'],
        why: ['The resistor turns ', qty(wasted, 'W', 0), ' into heat while all are on, and runs hot.'],
        remedy: ['Fit a DC-DC converter: it takes less from the range and stays cool.'],
        origin: 'common practice',
        inputs: [],
      }),
    ];
  }
  if (means === 'own-cells') return [];
  const { supply } = known;
  const watts = low.reduce((sum, a) => sum + a.watts, 0);
  const full = highestVolts(build, known);
  return [
    measured({
      id: 'converter-watts',
      group,
      title: 'Converter against all accessories at once',
      value: watts,
      unit: 'W',
      sense: 'most',
      fine: supply.ratedW.value * 0.8,
      look: supply.ratedW.value,
      limit: ['at most four fifths of ', qty(supply.ratedW.value, 'W', 0)],
      limitFrom: [supply.ratedW],
      why: ['All on together take ', qty(watts, 'W', 0), ' at their own volts.'],
      remedy: ['Take a larger converter.'],
      origin: 'common practice',
      inputs: [supply.ratedW],
      asked: asks,
    }),
    measured({
      id: 'converter-volts',
      group,
      title: 'Converter’s input against a full charge',
      value: full,
      unit: 'V',
      sense: 'most',
      fine: supply.maxInV.value * EDGE,
      look: supply.maxInV.value,
      limit: ['at most ', qty(supply.maxInV.value * EDGE, 'V')],
      limitFrom: [supply.maxInV],
      why: ['It hangs on the pack all the time, also when it is just charged.'],
      remedy: ['Take a converter for more volts.'],
      origin: 'common practice',
      inputs: [supply.maxInV, ...uncounted({ build, known }, (volts) => volts <= supply.maxInV.value * EDGE)],
      asked: asks,
    }),
  ];
}
