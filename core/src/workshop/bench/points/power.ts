import { leadOpens, type LeadOpens } from '../../../document/lead-opens.ts';
import { preCharge } from '../../../power-chain/inrush.ts';
import { stampedNumber } from '../../../quantity/stamped.ts';
import { qty } from '../../../quantity/phrase.ts';
import { toldApart } from '../../../quantity/told-apart.ts';
import type { Job } from '../../job.ts';
import { benchPacks } from '../scene.ts';
import { between, holdPoint, ticks, type HoldPoint } from '../hold-point.ts';

/** Left across what is open after the pre-charge, V. Common practice, no source. */
const LEFT_V = 5;
/** Seconds a hand holds a pre-charge. */
const HELD_S = 3;
/** Display against meter, V. Common practice, no source. */
const DISPLAY_V = 0.5;
/** Standby against the plan's figure: displays and lamps of the display differ. Common practice, no source. */
const [STANDBY_LEAST, STANDBY_MOST] = [0.4, 1.6];
/** Where nobody knows what the electronics take, mA. From memory. */
const ANY_STANDBY_MA = [5, 200] as const;

/** What closes after the pre-charge: by its name, open, and left so. */
const CLOSES: Readonly<Record<LeadOpens, readonly [string, string, string]>> = {
  switch: ['main switch', 'open switch', 'The switch stays off.'],
  breaker: ['breaker', 'open breaker', 'The breaker stays off.'],
  plug: ['plug', 'parted plug', 'The plug stays parted.'],
};

/** Switched on for the first time. */
export function power(job: Job): readonly HoldPoint[] {
  const { build, known } = job;
  const { cabling, controller, packs } = known;
  const full = Math.max(...benchPacks(job).map((p) => p.fullV));
  const standby = controller.standbyW;
  const milliamps = (1000 * standby.value) / packs[0].nominalV.value;
  const isKnown = standby.source !== 'unknown';
  const charge = preCharge(full, cabling.preChargeOhm.value, controller.capacitorUf.value);
  const { inrush } = build.cabling;
  const [closes, open, stays] = CLOSES[leadOpens(build)];
  return [
    ...(inrush === 'resistor'
      ? [
          holdPoint(
            'power',
            'pre-charge',
            `Pre-charge before the ${closes}`,
            `Through the resistor for ${String(HELD_S)} seconds; volts between both sides of the ${open}.`,
            between('V', 0, LEFT_V, 'Volts left'),
            {
              instrument: 'meter, volts',
              probes: { black: 'controller’s side', red: 'pack’s side' },
              part: `${stampedNumber(cabling.preChargeOhm.value)} ohm`,
              why: [
                qty(cabling.preChargeOhm.value, 'ohm', 0),
                ' and ',
                qty(controller.capacitorUf.value, 'uF', 0),
                ': 95 % after ',
                qty(charge.secondsTo95, 's', 2),
                '; less than ',
                qty(LEFT_V, 'V', 0),
                ' is left',
              ],
              otherwise: `More is left: the resistor is open, or the controller draws current. ${stays}`,
            },
          ),
        ]
      : [
          holdPoint(
            'power',
            'spark',
            inrush === 'anti-spark' ? 'Anti-spark half goes in first' : 'First touch',
            inrush === 'anti-spark'
              ? 'Slowly to the first contact, a second’s wait, then home.'
              : 'One firm push, no hovering: a small crack is the capacitors filling.',
            ticks('Home; no smell, no smoke, nothing warm'),
            {
              guards: true,
              caution:
                'Face away, nothing that burns beneath; smoke or heat: part the pack and leave the room.',
              part: inrush,
            },
          ),
        ]),
    holdPoint(
      'power',
      'standby',
      'Standby current',
      'Meter on milliamps in series with plus, display on, motor still. Use the fused range; part it before anything moves.',
      between(
        'mA',
        isKnown ? STANDBY_LEAST * milliamps : ANY_STANDBY_MA[0],
        isKnown ? STANDBY_MOST * milliamps : ANY_STANDBY_MA[1],
      ),
      {
        instrument: 'meter, amps',
        probes: { black: 'lead to the controller', red: 'plus of the pack' },
        part: build.controller.name,
        why: isKnown
          ? [
              qty(standby.value, 'W', 1),
              ' at ',
              qty(packs[0].nominalV.value, 'V', 0),
              `, ${String(STANDBY_LEAST)} to ${String(STANDBY_MOST)} times`,
            ]
          : ['nobody has said what the electronics take: 5 to 200 mA is usual'],
        origin: isKnown ? 'derived' : 'from memory',
        otherwise: 'Far more: a short in a lamp, a plug or a sensor. Part them one by one.',
      },
    ),
    holdPoint(
      'power',
      'display',
      'Display shows the meter’s volts',
      'Meter at the pack’s plug, display beside it: display less meter.',
      between('V', -DISPLAY_V, DISPLAY_V, 'Display less meter'),
      {
        instrument: 'display',
        part: build.controller.name,
        why: ['within ', qty(DISPLAY_V, 'V', 1)],
        otherwise:
          'Dark: volts at each plug from the pack on, the first that has none names the place. Off by much: go by the meter, not by bars.',
      },
    ),
    ...(build.supply.accessories.length === 0
      ? []
      : [
          holdPoint(
            'power',
            'lights',
            'Lamps, horn and outlets',
            'Each switched by itself, then all off by the key.',
            {
              kind: 'ticks',
              items: [
                ...toldApart(
                  build.supply.accessories.map((a) => (a.name.trim() === '' ? 'Accessory' : a.name)),
                ),
                'All off by the key',
              ],
            },
            { part: build.supply.means },
          ),
        ]),
  ];
}
