import type { PlugSex } from '@apple-cart/core';
import { StateMark } from '../../ui/state-mark.tsx';

/** Where the bodies of both halves begin and end across the cell, px. */
const [BODY, WIDTH, CELL] = [17, 18, 92];

/** One contact, drawn for the half on the left with its open side to the right: a cup, a prong or a bare end. */
function Contact({ sex, reaches }: { sex: PlugSex; reaches: boolean }) {
  const mouth = BODY + WIDTH;
  const line = { fill: 'none', stroke: 'currentColor' };
  switch (sex) {
    case 'sockets':
      return (
        <path
          d={`M${String(mouth)} -6h-7a6 6 0 0 0 0 12h7`}
          {...line}
          fill="var(--field)"
          strokeWidth="1.6"
        />
      );
    case 'pins':
      return <path d={`M${String(mouth)} 0h${reaches ? '23' : '5'}`} {...line} strokeWidth="5" />;
    case 'bare':
      return <path d={`M${String(mouth)} 0h6M${String(mouth)} 0l5 -3M${String(mouth)} 0l5 3`} {...line} />;
    case 'unknown':
      return <path d={`M${String(mouth - 9)} 0h6`} {...line} strokeWidth="1.6" strokeDasharray="2 2" />;
  }
}

/** The half on the left, or turned about, the one on the right: its wire, its body, its contact. */
function Half({ sex, mate, right, bad }: { sex: PlugSex; mate: PlugSex; right: boolean; bad: boolean }) {
  return (
    <g transform={right ? `translate(${String(CELL)} 0) scale(-1 1)` : undefined}>
      <rect x={BODY} width={WIDTH} height="100%" fill="var(--card)" />
      <path d={`M${String(BODY)} -100V100`} stroke="currentColor" strokeWidth="1.6" fill="none" />
      <path d={`M${String(BODY + WIDTH)} -100V100`} stroke="currentColor" strokeWidth="1.6" fill="none" />
      <svg y="50%" overflow="visible">
        <path d={`M0 0h${String(BODY)}`} stroke="currentColor" strokeWidth="2.4" />
        <Contact sex={sex} reaches={!bad && mate === 'sockets'} />
      </svg>
    </g>
  );
}

/** How one contact meets its like: from the wire of the one half to that of the other. */
export function PinJoin({
  pin,
  sexes: [left, right],
  bad,
  seen,
}: {
  pin: number;
  sexes: readonly [PlugSex, PlugSex];
  bad: boolean;
  seen: boolean;
}) {
  // The cup is drawn first: the prong goes into it.
  const halves = [
    { sex: left, mate: right, right: false },
    { sex: right, mate: left, right: true },
  ].toSorted((a, b) => Number(a.sex === 'pins') - Number(b.sex === 'pins'));
  return (
    <td className={`relative w-[92px] min-w-[92px] p-0 ${seen ? 'text-ink' : 'text-ink3'}`}>
      <svg className="absolute inset-0 h-full w-full" width={CELL} aria-hidden>
        {halves.map((half) => (
          <Half key={String(half.right)} {...half} bad={bad} />
        ))}
      </svg>
      <span className="num absolute top-[calc(50%-17px)] left-0 w-4 text-center text-[11.5px] text-ink">
        {pin}
      </span>
      <span
        className="num absolute top-[calc(50%-17px)] right-0 w-4 text-center text-[11.5px] text-ink"
        aria-hidden
      >
        {pin}
      </span>
      {bad && (
        <span className="absolute top-[calc(50%-8px)] left-[calc(50%-8px)]">
          <StateMark state="stop" size={16} />
        </span>
      )}
    </td>
  );
}
