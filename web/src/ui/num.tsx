/** A number in the figures' face, split at the decimal point so that a column of them lines up. */
export function Num({ text, unit, places = 2 }: { text: string; unit?: string; places?: number }) {
  const [whole = '', fraction] = text.split('.');
  return (
    <span className="num inline-flex whitespace-nowrap">
      <span className="text-right">{whole}</span>
      <span className="text-left" style={{ width: `${String(places === 0 ? 0 : places + 1)}ch` }}>
        {fraction === undefined ? '' : `.${fraction}`}
      </span>
      {unit !== undefined && unit !== '' && (
        <span className="pl-1 font-text text-[0.86em] text-ink3">{unit}</span>
      )}
    </span>
  );
}
