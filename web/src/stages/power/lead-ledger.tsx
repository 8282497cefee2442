import { inUse, leadLoss, phaseLeadWatts, preCharge } from '@apple-cart/core';
import { Ledger, Quantity } from '../parts/ledger.tsx';
import { useDeferredStage } from '../parts/use-stage.ts';

/** What leads lose and the first touch does, in numbers. */
export function LeadLedger() {
  const { document, verdict } = useDeferredStage();
  const { cabling, controller } = verdict.known;
  const { chain } = verdict.power;
  if (cabling.leadMm.source === 'unknown' || cabling.leadMm2.source === 'unknown') return null;
  const lead = (amps: number) =>
    leadLoss(document.cabling.conductor, cabling.leadMm.value, cabling.leadMm2.value, amps);
  const full = lead(chain.battery.peakA);
  const hill = lead(chain.battery.continuousA);
  const asked = chain.battery.open?.unknown ?? [];
  const rush = verdict.power.firstTouch;
  const softened = preCharge(
    Math.max(...verdict.power.packs.map((one) => one.fullV)),
    cabling.preChargeOhm.value,
    controller.capacitorUf.value,
  );
  return (
    <Ledger
      title="Leads and the first touch"
      lines={[
        {
          label: 'Resistance out and back',
          note: 'at 40 °C',
          value: <Quantity value={1000 * full.ohm} unit="mohm" digits={1} />,
        },
        {
          label: 'Lost on the hill',
          from: asked,
          value: <Quantity value={hill.watts} unit="W" digits={1} />,
        },
        {
          label: 'Lost at full throttle',
          from: asked,
          note: `${full.volts.toFixed(2)} V`,
          value: <Quantity value={full.watts} unit="W" digits={1} />,
        },
        ...(!inUse(document, 'cabling.phaseMm') ||
        cabling.phaseMm.source === 'unknown' ||
        cabling.phaseMm2.source === 'unknown'
          ? []
          : [
              {
                label: 'Lost in the phase leads on the hill',
                note: 'all three',
                value: (
                  <Quantity
                    value={phaseLeadWatts(
                      document.cabling.conductor,
                      cabling.phaseMm.value,
                      cabling.phaseMm2.value,
                      chain.phase.continuousA,
                    )}
                    unit="W"
                    digits={1}
                  />
                ),
              },
            ]),
        {
          label: 'Energy in the first spark',
          from: [controller.capacitorUf],
          note: `bare plug: ${rush.peakA.toFixed(0)} A for an instant`,
          value: <Quantity value={rush.energyJ} unit="J" digits={1} />,
        },
        ...(document.cabling.inrush === 'resistor'
          ? [
              {
                label: 'Through the resistor, to 95 %',
                note: `${softened.peakA.toFixed(2)} A, ${softened.peakW.toFixed(0)} W at first`,
                value: <Quantity value={softened.secondsTo95} unit="s" digits={1} />,
              },
            ]
          : []),
      ]}
    />
  );
}
