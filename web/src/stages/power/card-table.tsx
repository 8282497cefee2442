import { BARS, formatNumber, type PackCard } from '@apple-cart/core';

/** A display of bars as it would stand there; the number is said too. */
function Bars({ count }: { count: number }) {
  return (
    <span
      className="inline-flex items-center gap-[2px] whitespace-nowrap"
      role="img"
      aria-label={`${String(count)} of ${String(BARS)} bars`}
    >
      {Array.from({ length: BARS }, (_, i) => (
        <span
          key={i}
          className={`inline-block h-3 w-2 border border-ink2 ${i < count ? 'bg-ink2 print:bg-black!' : ''}`}
        />
      ))}
    </span>
  );
}

const BY_WORDS: Readonly<Record<PackCard['by'], string>> = {
  cells: '',
  label: 'Nobody has counted the cells: volts of the pack are by its label. ',
  nothing: 'Nobody has read the pack’s label or counted its cells: only the volts of a cell can be told. ',
};

/** Where a display of bars misleads most, and what its bars are taken as. */
function barsWords({ misleads, loadA, cutoffV, fullV, cutoffRead }: PackCard): string {
  const even = `Bars taken as even shares from ${formatNumber(cutoffV, 1)}${cutoffRead ? '' : ', a cut-off that nobody has read,'} to ${formatNumber(fullV, 1)} V (common practice). `;
  if (misleads === undefined)
    return `A display of bars that shares the volts evenly follows this pack fairly. ${even}`;
  const { row, when } = misleads;
  const [where, bars] =
    when === 'rest' ? ['at rest', row.barsAtRest] : [`under ${loadA.toFixed(0)} A`, row.barsLoaded];
  return `Bars mislead most at ${(100 * row.charge).toFixed(0)} %: ${where} they show ${String(bars)} of ${String(BARS)}. ${even}`;
}

/** State of charge against resting volts, and what a display of bars would show at rest and on the hill. */
export function CardTable({ card, short = false }: { card: PackCard; short?: boolean }) {
  const open = card.by === 'nothing';
  const pack = (volts: number): string => (open ? '?' : formatNumber(volts, 1));
  return (
    <>
      <table className="w-full border-collapse text-[13.5px]" data-testid="charge-card">
        <thead>
          <tr className="border-b-[1.5px] border-ink text-[12.5px] [&>th]:py-1 [&>th]:text-right [&>th]:font-semibold">
            <th>Charge</th>
            <th>Pack, V</th>
            <th>Cell, V</th>
            {!short && <th>{card.onHill ? 'On the hill, V' : 'At full throttle, V'}</th>}
            <th>Bars at rest</th>
            <th>{card.onHill ? 'on the hill' : 'at full throttle'}</th>
          </tr>
        </thead>
        <tbody>
          {card.rows.map((row) => (
            <tr
              key={row.charge}
              className={`border-b border-hair [&>td]:py-0.5 [&>td]:text-right ${card.misleads?.row.charge === row.charge ? 'bg-press font-semibold' : ''}`}
            >
              <td className="num">{(100 * row.charge).toFixed(0)} %</td>
              <td className="num">{pack(row.restV)}</td>
              <td className="num">{formatNumber(row.cellV, 2)}</td>
              {!short && <td className="num">{pack(row.loadedV)}</td>}
              <td>{open ? '?' : <Bars count={row.barsAtRest} />}</td>
              <td>{open ? '?' : <Bars count={row.barsLoaded} />}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="py-1.5 text-[12.5px] leading-snug text-ink2">
        {BY_WORDS[card.by]}
        {open ? '' : barsWords(card)}
        Let the pack rest before you read it; the cell maker’s curve decides.
      </p>
    </>
  );
}
