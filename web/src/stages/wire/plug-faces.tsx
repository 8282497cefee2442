import { facesOfPair, type PlugFace, type PlugSex, type Wire } from '@apple-cart/core';

/** Pixels of a step between contacts, across and down. */
const [ACROSS, DOWN] = [38, 28];

/** A contact as it is seen from the front: a prong end on, a cup with its hole, the cut end of a wire. */
function Contact({ sex }: { sex: PlugSex }) {
  const edge = { fill: 'var(--field)', stroke: 'var(--ink)', strokeWidth: 1.6 };
  switch (sex) {
    case 'pins':
      return <circle r="5.4" {...edge} fill="var(--ink)" />;
    case 'sockets':
      return (
        <>
          <circle r="5.4" {...edge} />
          <circle r="1.8" fill="var(--ink)" />
        </>
      );
    case 'bare':
      return <path d="M-5 -3 0 0-5 3M0 0h5" {...edge} fill="none" />;
    case 'unknown':
      return <circle r="5.4" {...edge} strokeDasharray="2.4 2" />;
  }
}

/** The open face of one half with its latch or its notch up, each contact with its number. */
function Face({ face, sex, bad }: { face: PlugFace; sex: PlugSex; bad: ReadonlySet<number> }) {
  const round = face.shape === 'ring';
  const down = round ? ACROSS : DOWN;
  const [wide, high] = [face.halfWide * ACROSS + (round ? 0 : 5), face.halfHigh * down + 2];
  const shell = { fill: 'var(--field)', stroke: 'var(--ink)', strokeWidth: 1.6 };
  return (
    <svg
      viewBox={`${String(-wide - 2)} ${String(-high - 9)} ${String(2 * wide + 4)} ${String(2 * high + 11)}`}
      width={2 * wide + 4}
      height={2 * high + 11}
      className="h-auto max-w-full"
      aria-hidden
    >
      {round ? (
        <>
          <circle r={wide} {...shell} />
          <path d={`M-6 ${String(-wide)}v7h12v-7`} {...shell} fill="var(--sheet)" />
        </>
      ) : (
        <>
          <rect x="-15" y={-high - 7} width="30" height="7" {...shell} fill="var(--sheet)" />
          <rect x={-wide} y={-high} width={2 * wide} height={2 * high} {...shell} />
        </>
      )}
      {face.contacts.map(({ pin, x, y }) => (
        <g key={pin} transform={`translate(${String(x * ACROSS)} ${String(y * down)})`} data-contact={pin}>
          {bad.has(pin) && (
            <rect
              x="-17"
              y="-12"
              width="34"
              height="24"
              fill="var(--stop-tint)"
              stroke="var(--stop-fill)"
              strokeWidth="1.4"
            />
          )}
          <g transform="translate(-6 0)">
            <Contact sex={sex} />
          </g>
          <text x="3" y="4.5" className="num" fontSize="13" fill="var(--ink)">
            {pin}
          </text>
        </g>
      ))}
    </svg>
  );
}

/** Contacts that are joined to something else than their like, from 1. */
const amiss = ({ plug }: Wire): ReadonlySet<number> =>
  new Set(plug.filter((f) => f.state === 'stop').flatMap((f) => f.pins));

const numbers = (face: PlugFace): string =>
  face.contacts
    .toSorted((a, b) => a.y - b.y || a.x - b.x)
    .map((c) => c.pin)
    .join(', ');

/** Both halves of a plug pair as one sees who looks into them: the pins are the mirror image of the sockets. */
export function PlugFaces({ wire, names }: { wire: Wire; names: readonly [from: string, to: string] }) {
  const { cable } = wire;
  const faces = facesOfPair(cable);
  const bad = amiss(wire);
  const long = Math.max(faces.from.halfWide, faces.to.halfWide) > 2.6;
  return (
    <div className={`grid gap-x-3 gap-y-2 py-2 ${long ? '' : 'grid-cols-2'}`} data-testid="plug-faces">
      {(['from', 'to'] as const).map((side, i) => (
        <figure
          key={side}
          role="img"
          aria-label={`${names[i] ?? ''}, ${faces[side].shape === 'ring' ? 'notch' : 'latch'} up, line by line from the left: ${numbers(faces[side])}`}
          className="flex flex-col items-center justify-end"
          data-face={side}
        >
          <Face face={faces[side]} sex={cable[side].sex} bad={bad} />
          <figcaption className="pt-0.5 text-center text-[12.5px] leading-tight text-ink2">
            {names[i]}
          </figcaption>
        </figure>
      ))}
    </div>
  );
}
