import type { WireColour } from '@apple-cart/core';

/** Colours of wires in words, as IEC 60757 letters them, and as they are drawn; the edge carries the dark ones. */
export const COLOURS: Readonly<Record<WireColour, { readonly name: string; readonly fill: string }>> = {
  BK: { name: 'black', fill: '#161412' },
  BN: { name: 'brown', fill: '#7a4a21' },
  RD: { name: 'red', fill: '#c22a1e' },
  OG: { name: 'orange', fill: '#e07b1a' },
  YE: { name: 'yellow', fill: '#edc51c' },
  GN: { name: 'green', fill: '#2f8f3e' },
  BU: { name: 'blue', fill: '#2f62c4' },
  VT: { name: 'violet', fill: '#7b3fa0' },
  GY: { name: 'grey', fill: '#8b8d90' },
  WH: { name: 'white', fill: '#fdfcf8' },
  PK: { name: 'pink', fill: '#e79cb3' },
  TQ: { name: 'turquoise', fill: '#2fa6a4' },
  '': { name: 'not looked at', fill: 'none' },
};

/** A short piece of the wire in its colour, edged in ink. */
export const Tick = ({ colour }: { colour: WireColour }) => (
  <svg viewBox="0 0 18 8" width="18" height="8" className="shrink-0" aria-hidden>
    <rect
      x="0.6"
      y="0.6"
      width="16.8"
      height="6.8"
      fill={COLOURS[colour].fill}
      stroke="currentColor"
      strokeWidth="1.2"
      strokeDasharray={colour === '' ? '2 2' : undefined}
    />
  </svg>
);
