import type { FrameStyle } from '../frame/names.ts';
import type { Answer } from './choices.ts';
import type { BuildDocument } from './document.ts';

/** Styles that are often sprung behind without being drawn so: whether this one is has to be said. */
const OFTEN_SPRUNG: ReadonlySet<FrameStyle> = new Set(['folding', 'small-wheel', 'recumbent', 'trike']);

/** Whether the rear wheel swings on a spring: its style says so, or somebody did; unknown only of a style that often does. */
export function swingsBehind({ donor: { style, sprung } }: Pick<BuildDocument, 'donor'>): Answer {
  if (style === 'full-suspension') return 'yes';
  return sprung === 'unknown' && !OFTEN_SPRUNG.has(style) ? 'no' : sprung;
}

/** What is asked where it is unknown. */
export const IS_SPRUNG = 'whether the rear end is sprung';
