import { chargerWords, packCard, phraseText, type BuildDocument } from '@apple-cart/core';
import { PrintPage } from '../../paper/print-page.tsx';
import { verdictOf } from '../../state/verdicts.ts';
import { usePack } from '../parts/use-pack.ts';
import { CardTable } from './card-table.tsx';
import { packName } from './pack-tabs.tsx';

function Card({ build }: { build: BuildDocument }) {
  const { known } = verdictOf(build);
  const { index, pack } = usePack(build);
  const which = build.packs.length > 1 ? packName(pack, index) : pack.name;
  return (
    <section className="keep-together border-2 border-ink p-4 print:w-[105mm]">
      <h1 className="head text-[22px] leading-tight font-extrabold">Charge card</h1>
      <p className="text-[14px]">
        {build.name}
        {build.job === '' ? '' : `, job ${build.job}`}
      </p>
      <p className="border-b-[1.5px] border-ink pb-1.5 text-[12.5px] text-ink2">
        {which === '' ? '' : `${which}. `}
        {phraseText(chargerWords(build, known, index))}
      </p>
      <CardTable card={packCard(build, index)} short />
      <p className="border-t-[1.5px] border-ink pt-1.5 text-[12.5px]">
        {pack.chemistry === 'lead-acid'
          ? 'Store it full, and charge it after every ride, watched, in a room with air.'
          : 'Store it half full and cool. Charge it watched and above freezing.'}
      </p>
    </section>
  );
}

/** The pocket card of resting volts for one pack, to print, cut out and keep in the saddlebag. */
export const ChargeCard = () => (
  <PrintPage title="Charge card" back={{ to: 'power?view=charge', words: 'Back to charging' }} width="card">
    {(build) => <Card build={build} />}
  </PrintPage>
);
