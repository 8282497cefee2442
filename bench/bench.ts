import { benchCore } from './core-bench.ts';
import { benchPage } from './page-bench.ts';
import { benchLaw } from './law-bench.ts';
import { benchRide } from './ride-bench.ts';
import { benchSearch } from './search-bench.ts';
import { benchLogs } from './log-bench.ts';
import { line } from './measure.ts';

const PARTS: Readonly<Record<string, () => void | Promise<void>>> = {
  core: benchCore,
  ride: benchRide,
  law: benchLaw,
  search: benchSearch,
  logs: benchLogs,
  page: benchPage,
};

/** The parts that are asked for by name, as in `npm run bench -- page`; all of them where none is. */
const asked = process.argv.slice(2);
const unknown = asked.filter((name) => !Object.hasOwn(PARTS, name));
if (unknown.length > 0)
  throw new RangeError(`No part ${unknown.join(', ')}: there are ${Object.keys(PARTS).join(', ')}.`);

line('what', 'median', 'wished for', 'beside a reference of this run');
for (const [name, bench] of Object.entries(PARTS))
  if (asked.length === 0 || asked.includes(name)) await bench();
