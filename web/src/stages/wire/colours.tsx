import { COLOUR_NAMES, type WireColour } from '@apple-cart/core';

/** Colours of wires as they are drawn; the edge carries the dark ones. */
export const FILLS: Readonly<Record<WireColour, string>> = {
  BK: '#161412',
  BN: '#7a4a21',
  RD: '#c22a1e',
  OG: '#e07b1a',
  YE: '#edc51c',
  GN: '#2f8f3e',
  BU: '#2f62c4',
  VT: '#7b3fa0',
  GY: '#8b8d90',
  WH: '#fdfcf8',
  PK: '#e79cb3',
  TQ: '#2fa6a4',
  '': 'none',
};

/** A colour in its word, or that nobody has looked at it. */
export const colourName = (colour: WireColour): string => (colour === '' ? '?' : COLOUR_NAMES[colour]);

/** A short piece of the wire in its colour, edged in ink. */
export const Tick = ({ colour }: { colour: WireColour }) => (
  <svg viewBox="0 0 18 8" width="18" height="8" className="shrink-0" aria-hidden>
    <rect
      x="0.6"
      y="0.6"
      width="16.8"
      height="6.8"
      fill={FILLS[colour]}
      stroke="currentColor"
      strokeWidth="1.2"
      strokeDasharray={colour === '' ? '2 2' : undefined}
    />
  </svg>
);
