import {
  complyWith,
  lawCurves,
  lawFacts,
  judgeBook,
  readRules,
  shippedRules,
  wayOf,
  type BuildDocument,
  type RuleBook,
} from '@apple-cart/core';
import { demoBuild, demoBuilds, trayOf } from './demo.ts';
import { line, medianMicroseconds } from './measure.ts';

/** Facts of a build in every way the rider can have it, judged by a book. */
const judged = (build: BuildDocument, book: RuleBook) => judgeBook(book, lawFacts(wayOf(build)));

const TRAIL = {
  name: 'Trail',
  reach: 'rider',
  limitsSpeed: true,
  cutoffKmh: 38,
  batteryA: null,
  throttle: 'full',
} as const;

/** The rule book: all places at once, with profiles, and the smallest changes; beside one place of the same run. */
export function benchLaw(): void {
  const book = shippedRules();
  const one = book.filter((p) => p.id === 'gb');
  for (const build of demoBuilds()) {
    const all = medianMicroseconds(() => judged(build, book), 20);
    const single = medianMicroseconds(() => judged(build, one), 20);
    const none = medianMicroseconds(() => trayOf(build, []), 10);
    const whole = medianMicroseconds(() => trayOf(build, book), 10);
    line(
      `forty places, ${build.name}`,
      `${(all / 1000).toFixed(2)} ms`,
      'under 5 ms',
      `${(all / single).toFixed(2)} times one place; what the tray needs, by the book, ${(whole / none).toFixed(2)} times none`,
    );
  }
  const first = demoBuild('Orchard longtail');
  const many = {
    ...first,
    controller: {
      ...first.controller,
      profiles: [TRAIL, { ...TRAIL, name: 'Yard' }],
      lifted: 'yes' as const,
    },
  };
  const plain = medianMicroseconds(() => judged(first, book), 20);
  const switched = medianMicroseconds(() => judged(many, book), 10);
  line(
    'forty places, four ways of riding',
    `${(switched / 1000).toFixed(2)} ms`,
    'under 20 ms',
    `${(switched / plain).toFixed(2)} times one way`,
  );
  const fit = medianMicroseconds(() => complyWith(first, one, 'UK-EAPC'), 3);
  const whole = medianMicroseconds(() => trayOf(first, book), 10);
  line(
    'the smallest changes into a class',
    `${(fit / 1000).toFixed(1)} ms`,
    '',
    `${(fit / whole).toFixed(1)} times what the tray needs`,
  );
  const curves = medianMicroseconds(() => lawCurves(first), 10);
  line(
    'curves and thirty-minute power',
    `${(curves / 1000).toFixed(2)} ms`,
    '',
    `${(curves / whole).toFixed(2)} times what the tray needs`,
  );
  const texts = book.map((p) => JSON.stringify(p));
  const reading = medianMicroseconds(() => texts.map((t) => readRules(JSON.parse(t))), 3);
  const parsing = medianMicroseconds(() => texts.map((t) => JSON.parse(t) as unknown), 3);
  line(
    'the whole book, read and validated',
    `${(reading / 1000).toFixed(1)} ms`,
    '',
    `${(reading / parsing).toFixed(1)} times reading the JSON alone`,
  );
}
