import type { BuildDocument } from '@apple-cart/core';
import { PrintPage } from '../../paper/print-page.tsx';
import { useSettings } from '../../state/settings-store.ts';
import { useVerdict } from '../../state/use-verdict.ts';
import { sheetOf } from './sheet-of.ts';
import { SignedPaper } from './signed-paper.tsx';
import { useBench } from '../parts/use-bench.ts';

function Paper({ build }: { build: BuildDocument }) {
  const bench = useBench();
  const verdict = useVerdict(build);
  const system = useSettings((state) => state.units);
  const head = <h1 className="head pb-1 text-[26px] font-extrabold">Hand-over</h1>;
  if (!bench.records.ready)
    return (
      <>
        {head}
        <p role="status">{bench.records.error ?? 'Fetching the records.'}</p>
      </>
    );
  if (bench.view === undefined)
    return (
      <>
        {head}
        <p>No run has been begun: there is no hand-over yet.</p>
      </>
    );
  const signed = bench.signs.at(-1);
  return (
    <>
      {head}
      {signed === undefined && (
        <p className="pb-2 text-[14px] font-semibold">Draft: it has not been signed.</p>
      )}
      <SignedPaper
        sheet={signed?.data.sheet ?? sheetOf(build, verdict, bench.view, system)}
        signs={bench.signs}
      />
    </>
  );
}

/** The hand-over on paper: as it was signed, whatever became of the plan since. */
export function HandoverSheet() {
  return (
    <PrintPage
      title="Hand-over"
      back={{ to: 'bench?view=handover', words: 'Back to the hand-over' }}
      width="sheet"
    >
      {(build) => <Paper build={build} />}
    </PrintPage>
  );
}
