import { Printer } from 'lucide-react';
import { useEffect } from 'react';
import { Link, useParams } from 'react-router';
import { CHEMISTRIES, formatNumber, packCard } from '@apple-cart/core';
import { NotFound } from '../../frame/not-found.tsx';
import { useBuild } from '../../state/build-store.ts';
import { verdictOf } from '../../state/verdicts.ts';
import { Button } from '../../ui/button.tsx';
import { CardTable } from './card-table.tsx';

/** The pocket card of resting volts for one pack, to print, cut out and keep in the saddlebag. */
export function ChargeCard() {
  const { id } = useParams();
  const open = useBuild((state) => state.open);
  const build = useBuild((state) => (state.id === id ? state.document : undefined));
  const loadError = useBuild((state) => state.loadError);
  useEffect(() => {
    if (id !== undefined) void open(id);
  }, [id, open]);
  useEffect(() => {
    document.title = `Charge card${build === undefined ? '' : `, ${build.name}`}, Apple Cart`;
  }, [build]);
  if (loadError !== undefined) return <NotFound what="build" detail={loadError} />;
  if (build === undefined) return <p className="p-6">Fetching the build.</p>;
  const { known, power } = verdictOf(build);
  const charger = known.charger.volts.source === 'unknown' ? power.fullV : known.charger.volts.value;
  return (
    <main className="mx-auto min-h-full max-w-[620px] bg-sheet px-6 py-4 max-tablet:px-3 print:max-w-none print:bg-white print:p-0">
      <div className="no-print flex flex-wrap items-center gap-2 pb-3">
        <Link
          to={`/builds/${id ?? ''}/power?view=charge`}
          className="mr-auto text-slate underline max-bench:py-3"
        >
          Back to charging
        </Link>
        <Button
          onClick={() => {
            window.print();
          }}
        >
          <Printer size={15} strokeWidth={1.6} aria-hidden /> Print
        </Button>
      </div>
      <section className="keep-together border-2 border-ink p-4 print:w-[105mm]">
        <h1 className="head text-[22px] leading-tight font-extrabold">Charge card</h1>
        <p className="text-[14px]">
          {build.name}
          {build.job === '' ? '' : `, job ${build.job}`}
        </p>
        <p className="border-b-[1.5px] border-ink pb-1.5 text-[12.5px] text-ink2">
          {build.pack.name === '' ? '' : `${build.pack.name}. `}
          {formatNumber(known.pack.cellsInSeries.value, 0)} in series,{' '}
          {CHEMISTRIES[build.pack.chemistry].name}. Charger: {formatNumber(charger, 1)} V, never another.
        </p>
        <CardTable card={packCard(build)} short />
        <p className="border-t-[1.5px] border-ink pt-1.5 text-[12.5px]">
          {build.pack.chemistry === 'lead-acid'
            ? 'Store it full, and charge it after every ride, watched, in a room with air.'
            : 'Store it half full and cool. Charge it watched and above freezing.'}
        </p>
      </section>
    </main>
  );
}
