import type { ReactNode } from 'react';

/** What each kind of bar is; the hatch is the drawing's own. */
export function GanttLegend() {
  const marks: readonly (readonly [words: string, mark: ReactNode])[] = [
    [
      'to order',
      <rect key="o" x="1" y="3" width="22" height="8" fill="url(#hatch)" className="stroke-ink2" />,
    ],
    ['ordered', <rect key="d" x="1" y="3" width="22" height="8" className="fill-press stroke-ink2" />],
    ['work', <rect key="w" x="1" y="1" width="22" height="12" className="fill-ink2" />],
    [
      'decides the day',
      <rect key="s" x="1" y="1" width="22" height="12" className="fill-look-fill stroke-look" />,
    ],
    ['in hand', <path key="h" d="M1 7h21M22.5 4v6" className="stroke-ink2" strokeDasharray="2 2" />],
  ];
  return (
    <p className="flex flex-wrap gap-x-4 gap-y-1 pt-2 text-[12.5px] text-ink2">
      {marks.map(([words, mark]) => (
        <span key={words} className="flex items-center gap-1.5">
          <svg width="24" height="14" aria-hidden>
            {mark}
          </svg>
          {words}
        </span>
      ))}
    </p>
  );
}
