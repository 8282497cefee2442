import { benchCore } from './core-bench.ts';
import { benchPage } from './page-bench.ts';
import { benchLaw } from './law-bench.ts';
import { benchRide } from './ride-bench.ts';
import { benchSearch } from './search-bench.ts';
import { benchLogs } from './log-bench.ts';
import { line } from './measure.ts';

line('what', 'median', 'wished for', 'beside a reference of this run');
benchCore();
benchRide();
benchLaw();
benchSearch();
await benchLogs();
await benchPage();
