import { formatNumber } from '@apple-cart/core';
import { Caution } from '../../ui/caution.tsx';
import { Stage, StageFindings } from '../parts/stage.tsx';
import { useStage } from '../parts/use-stage.ts';
import { PackFields, ControllerFields } from './power-fields.tsx';
import { VoltLadder } from './volt-ladder.tsx';
import { ForcePanel } from './force-panel.tsx';

/** Pack and controller: the pull they give, and the volts they work between. */
export function PowerStage() {
  const { document, verdict } = useStage();
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
      inputs={
        <>
          <PackFields document={document} verdict={verdict} />
          <ControllerFields document={document} verdict={verdict} />
          <StageFindings id="power" />
          <Caution>
            A lithium pack can burn: charge it watched, with its own charger, and never open it without
            training. The pack maker’s data sheet decides.
          </Caution>
        </>
      }
      picture={
        <>
          <ForcePanel />
          <VoltLadder verdict={verdict} />
        </>
      }
    />
  );
}
