import { useSearchParams } from 'react-router';
import { formatNumber } from '@apple-cart/core';
import { Caution } from '../../ui/caution.tsx';
import { EnergyPanel } from '../parts/energy-panel.tsx';
import { Stage, StageFindings } from '../parts/stage.tsx';
import { usePack } from '../parts/use-pack.ts';
import { useStage } from '../parts/use-stage.ts';
import { ViewLinks } from '../parts/view-links.tsx';
import { CellPicture } from './cell-picture.tsx';
import { ChainView } from './chain-view.tsx';
import { ChargeFields, ChargeView } from './charge-view.tsx';
import { CurrentFields } from './current-fields.tsx';
import { ForcePanel } from './force-panel.tsx';
import { LightsFields, LightsView } from './lights-view.tsx';
import { PackLedger } from './pack-ledger.tsx';
import { ControllerFields } from './controller-fields.tsx';
import { CellFields, MainFields, PackFields } from './power-fields.tsx';
import { PackTabs } from './pack-tabs.tsx';
import { PacksFields, PacksView } from './packs-view.tsx';
import { StepsView } from './steps-view.tsx';
import { UsedCells } from './used-cells.tsx';
import { POWER_VIEWS, type PowerView } from '../../screens/power-views.ts';
import { VoltLadder } from './volt-ladder.tsx';

function Inputs({ view }: { view: PowerView }) {
  const { document, verdict } = useStage();
  const { index, pack } = usePack(document);
  switch (view) {
    case 'pack':
      return (
        <>
          <PackTabs document={document} />
          <MainFields document={document} index={index} />
          {pack.make === 'cells' ? (
            <CellFields document={document} verdict={verdict} index={index} />
          ) : (
            <PackFields document={document} verdict={verdict} index={index} />
          )}
          <ControllerFields document={document} verdict={verdict} />
        </>
      );
    case 'current':
      return <CurrentFields />;
    case 'charge':
      return <ChargeFields />;
    case 'packs':
      return <PacksFields />;
    case 'lights':
      return <LightsFields />;
    case 'steps':
      return <PackLedger />;
  }
}

function Picture({ view }: { view: PowerView }) {
  const { document, verdict } = useStage();
  const { index, pack } = usePack(document);
  switch (view) {
    case 'pack':
      return (
        <>
          {pack.make === 'cells' && <CellPicture />}
          <ForcePanel />
          <VoltLadder verdict={verdict} index={index} />
          {pack.make === 'ready' && <PackLedger />}
          {pack.make === 'cells' && <UsedCells />}
          <EnergyPanel />
        </>
      );
    case 'current':
      return <ChainView />;
    case 'charge':
      return <ChargeView />;
    case 'packs':
      return <PacksView />;
    case 'lights':
      return <LightsView />;
    case 'steps':
      return <StepsView />;
  }
}

/** What a pack does to whoever is careless with it, by what it is made of. */
const PACK_CAUTION =
  'A lithium pack can burn: never open or build one without training. The pack maker’s data sheet decides.';
const LEAD_CAUTION =
  'A lead-acid block holds acid and gives off hydrogen while it charges, and a spanner across its terminals welds: charge with air about it, cover the terminals. The maker’s data sheet decides.';

const CAUTION: Readonly<Record<Exclude<PowerView, 'pack'>, string>> = {
  current:
    'Work with the pack unplugged. Figures for leads are for free air: data sheets and local codes decide.',
  charge:
    'Charge watched, with the pack’s own charger, away from the way out. The mains side is an electrician’s work.',
  packs: 'Packs joined at unlike volts can burn. Measure each before you join them.',
  lights: 'Lights must burn when the motor has been cut off: try it before the first ride at night.',
  steps: 'More volts or amps can change the class and overheat what was enough before.',
};

/** Packs, current chain, charging, several packs together, lights, and what a step more would do. */
export function PowerStage() {
  const { verdict, document } = useStage();
  const lead = document.packs.some((p) => p.chemistry === 'lead-acid');
  const lithium = document.packs.some((p) => p.chemistry !== 'lead-acid');
  const [params] = useSearchParams();
  const view = POWER_VIEWS.find((v) => v.id === params.get('view'))?.id ?? 'pack';
  const stage = verdict.stages.find((s) => s.id === 'power');
  return (
    <Stage
      id="power"
      stamp={{
        state: stage?.state ?? 'unknown',
        word: `${formatNumber(verdict.power.nominalV, 0)} V, ${formatNumber(verdict.power.energyWh, 0)} Wh`,
        asIs: true,
        under: stage?.words ?? '',
      }}
      views={<ViewLinks label="Views of the power stage" views={POWER_VIEWS} view={view} />}
      inputs={
        <>
          <Inputs view={view} />
          <StageFindings id="power" />
          {view === 'pack' ? (
            <>
              {lithium && <Caution>{PACK_CAUTION}</Caution>}
              {lead && <Caution>{LEAD_CAUTION}</Caution>}
            </>
          ) : (
            <Caution>{CAUTION[view]}</Caution>
          )}
        </>
      }
      picture={<Picture view={view} />}
    />
  );
}
