import { dayWords } from '@apple-cart/core';
import { useSearchParams } from 'react-router';
import { FieldGroup } from '../../fields/field-group.tsx';
import { BUY_VIEWS, type BuyView } from '../../screens/buy-views.ts';
import { Caution } from '../../ui/caution.tsx';
import { Stage } from '../parts/stage.tsx';
import { useStage } from '../parts/use-stage.ts';
import { ViewLinks } from '../parts/view-links.tsx';
import { AddLine } from './add-line.tsx';
import { FirstToOrder } from './first-to-order.tsx';
import { KitContents } from './kit-contents.tsx';
import { LedgerView } from './ledger-view.tsx';
import { LinesTable } from './lines-table.tsx';
import { ReadyInputs, ReadyPicture } from './ready-view.tsx';
import { RunningInputs, RunningPicture } from './running-view.tsx';
import { usePurchase } from './use-purchase.ts';
import { useWhen, type Planning } from './use-when.ts';
import { WaysBack } from './ways-back.tsx';
import { WhenInputs, WhenPicture, whenStamp } from './when-view.tsx';

function Inputs({ view, planning }: { view: BuyView; planning: Planning }) {
  const purchase = usePurchase();
  switch (view) {
    case 'list':
      return (
        <>
          <LedgerView {...purchase} />
          <WaysBack {...purchase} />
          <FirstToOrder when={planning.when} />
          <KitContents {...purchase} />
          <FieldGroup title="By hand">
            <AddLine />
          </FieldGroup>
          <Caution>
            Cells and packs only from who names their maker and tests them; chargers marked for your mains.
            Data sheets and local codes decide.
          </Caution>
        </>
      );
    case 'when':
      return <WhenInputs planning={planning} />;
    case 'ready':
      return <ReadyInputs />;
    case 'running':
      return <RunningInputs />;
  }
}

function Picture({ view, planning }: { view: BuyView; planning: Planning }) {
  const purchase = usePurchase();
  const { verdict } = useStage();
  const any = purchase.rows.some((r) => r.from === 'build');
  if (!any && (view === 'list' || view === 'when'))
    return <p className="py-3 text-ink2">Choose a motor and a pack: the list is worked out from them.</p>;
  switch (view) {
    case 'list':
      return <LinesTable {...purchase} verdict={verdict} />;
    case 'when':
      return <WhenPicture planning={planning} />;
    case 'ready':
      return <ReadyPicture />;
    case 'running':
      return <RunningPicture />;
  }
}

/** What the build needs down to the last washer, when it can be ridden, and what it all costs. */
export function BuyStage() {
  const { verdict } = useStage();
  const planning = useWhen();
  const [params] = useSearchParams();
  const view = BUY_VIEWS.find((v) => v.id === params.get('view'))?.id ?? 'list';
  const stage = verdict.stages.find((s) => s.id === 'buy');
  const { rows, ledger } = verdict.list;
  const any = rows.some((r) => r.from === 'build');
  const { ride, open, ridden } = planning.when;
  const rides =
    ride === undefined || ridden
      ? `${String(ledger.unpriced)} without a price`
      : `ride ${open.length > 0 ? 'not before' : 'from'} ${dayWords(ride.latest)}${open.length > 0 ? '' : ' at the earliest'}`;
  const list = {
    state: stage?.state ?? 'unknown',
    word: any ? `${String(ledger.open)} to buy` : 'No list yet',
    under: any ? rides : 'no motor chosen',
  } as const;
  return (
    <Stage
      id="buy"
      stamp={view === 'when' && any ? whenStamp(planning.when) : list}
      views={<ViewLinks label="Views of the buying stage" views={BUY_VIEWS} view={view} />}
      inputs={<Inputs view={view} planning={planning} />}
      picture={<Picture view={view} planning={planning} />}
    />
  );
}
