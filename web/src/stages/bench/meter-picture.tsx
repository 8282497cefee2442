import type { HoldPoint } from '@apple-cart/core';

/** What the meter is set to: the letter on its dial, whether it is direct current, and in words. */
const SET: Readonly<Partial<Record<HoldPoint['instrument'], readonly [string, boolean, string]>>> = {
  'meter, volts': ['V', true, 'direct volts'],
  'meter, ohms': ['ohm', false, 'ohms'],
  'meter, amps': ['mA', true, 'direct milliamps'],
};

/** Letters that fit over a probe in one line. */
const LINE = 15;

/** Words in one line, or in two that are about as long. */
function lines(words: string): readonly string[] {
  if (words.length <= LINE) return [words];
  const spaces = [...words.matchAll(/ /g)].map(({ index }) => index);
  const [cut = words.length] = spaces.toSorted(
    (a, b) => Math.abs(a - words.length / 2) - Math.abs(b - words.length / 2),
  );
  return [words.slice(0, cut), words.slice(cut + 1)];
}

/** One probe with the place that it is held to. */
function Probe({ x, name, place }: { x: number; name: string; place: string }) {
  const said = lines(place);
  return (
    <g>
      {said.map((line, i) => (
        <text
          key={line}
          x={x}
          y={28 - 14 * (said.length - 1 - i)}
          textAnchor="middle"
          className="fill-ink text-[12.5px] font-semibold"
        >
          {line}
        </text>
      ))}
      <rect x={x - 9} y={36} width={18} height={18} className="fill-field stroke-ink" strokeWidth={1.4} />
      <path d={`M${String(x)} 45v30`} className="stroke-ink" strokeWidth={1.6} />
      <rect x={x - 3} y={66} width={6} height={24} className="fill-ink" />
      <text x={x + 9} y={82} className="fill-ink text-[12.5px] font-semibold">
        {name}
      </text>
    </g>
  );
}

/** The meter as it is set, with its two leads and where they go; nothing for a point without one. */
export function MeterPicture({ point: { instrument, probes } }: { point: HoldPoint }) {
  const set = SET[instrument];
  if (set === undefined || probes === null) return null;
  const [dial, direct, words] = set;
  const { black, red } = probes;
  return (
    <svg
      viewBox="0 0 296 136"
      role="img"
      aria-label={`Meter on ${words}: black probe on ${black}, red probe on ${red}`}
      className="mt-3 w-[296px] max-w-full shrink-0"
      data-testid="meter-picture"
    >
      <rect x={2} y={2} width={74} height={116} className="fill-field stroke-ink" strokeWidth={1.8} />
      <rect x={10} y={10} width={58} height={26} className="fill-sheet stroke-ink" />
      <text
        x={direct ? 30 : 39}
        y={28}
        textAnchor="middle"
        className="num fill-ink text-[15px] font-semibold"
      >
        {dial}
      </text>
      {/* The sign of direct current: a line over a broken one. */}
      {direct && <path d="M46 21h15M46 26h3m3 0h3m3 0h3" className="stroke-ink" strokeWidth={1.6} />}
      <circle cx={39} cy={66} r={17} className="fill-sheet stroke-ink" strokeWidth={1.6} />
      <path d="M39 66l8 -10" className="stroke-ink" strokeWidth={2} />
      <circle cx={26} cy={104} r={4} className="fill-field stroke-ink" strokeWidth={1.6} />
      <circle cx={52} cy={104} r={4} className="fill-ink stroke-ink" />
      <path d="M26 108v24H240V90" className="fill-none stroke-ink" strokeWidth={2.2} />
      <path d="M52 108v15H132V90" className="fill-none stroke-ink" strokeWidth={2.2} />
      <Probe x={132} name="black" place={black} />
      <Probe x={240} name="red" place={red} />
    </svg>
  );
}
