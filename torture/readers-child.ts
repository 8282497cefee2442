import { readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import * as fc from 'fast-check';
import {
  evaluate,
  readBuildText,
  readCells,
  readPart,
  partFields,
  readRoute,
  readRulesText,
  shippedRules,
  textOf,
  toldVerdict,
  writeGpx,
} from '@apple-cart/core';
import { buildDocument } from '../core/src/document/document.ts';
import { placeRules } from '../core/src/law/rule-schema.ts';
import { part } from '../core/src/parts/part.ts';
import { route } from '../core/src/route/route.ts';
import { MOST_ISSUES } from '../core/src/quantity/result.ts';
import { drawn } from '../core/src/test/drawn.ts';
import { guessMapping, partsFromTable, readPartsFile } from '../web/src/files/parts-file.ts';
import { makeRoad, readRoadFile } from '../web/src/files/road-file.ts';
import { spoiled } from './spoil.ts';
import { chance } from './report.ts';

const [seedText = '1', roundsText = '1000'] = process.argv.slice(2);
const seed = Number(seedText);
const rounds = Number(roundsText);
const random = chance(seed);
const book = shippedRules();

const demo = (path: string): string => readFileSync(new URL(`../demo/${path}`, import.meta.url), 'utf8');
const inFolder = (folder: string): readonly string[] =>
  readdirSync(new URL(`../demo/${folder}`, import.meta.url)).map((name) => demo(`${folder}/${name}`));

/** Drawn documents as text, and those of the demo. */
const sampled = (schema: Parameters<typeof drawn>[0], n: number): readonly string[] =>
  fc.sample(drawn(schema), { numRuns: n, seed }).map((one) => JSON.stringify(one));
const builds = [...inFolder('builds'), ...sampled(buildDocument, 40)];
const routes = sampled(route, 60);
const texts = {
  build: builds,
  rules: [
    ...shippedRules()
      .slice(0, 12)
      .map((r) => JSON.stringify(r)),
    ...sampled(placeRules, 20),
  ],
  parts: [
    demo('parts.json'),
    ...sampled(part, 60),
    'id,name,maker,price,currency,massKg,teeth\r\nring-a,A,M,1,GBP,0.1,38\r\n',
  ],
  cells: [
    'cell,mAh,mohm\nA1,2200,40\nA2,2150,38\n\nA3 2300 41',
    '2200\n2150\n',
    Array.from({ length: 900 }, (_, i) => `C${String(i)};${String(2000 + i)};40`).join('\n'),
  ],
  road: [
    ...inFolder('routes'),
    ...routes,
    ...routes.slice(0, 20).map((text) => {
      const read = readRoute(JSON.parse(text));
      return read.ok ? writeGpx(read.value) : text;
    }),
    'distance km,elevation ft\n0,100\n1,120\n2.5,90\n',
    'Distanz;Höhe\n0;100\n1,5;120,5\n',
  ],
} as const;

interface ToldIssues {
  readonly issues?: readonly unknown[];
  readonly lines?: readonly unknown[];
}
/** Nothing is told at greater length than anybody reads. */
function short(outcome: ToldIssues): void {
  const told = outcome.issues ?? outcome.lines ?? [];
  if (told.length > MOST_ISSUES + 1) throw new Error(`${String(told.length)} issues`);
}

const readers = {
  build: (bytes: Uint8Array): void => {
    const text = textOf(bytes);
    const build = text.ok ? readBuildText(text.value) : text;
    short(build.ok ? {} : build);
    // Judging takes longer than reading: every now and then.
    if (build.ok && random.next() < 0.05) JSON.stringify(toldVerdict(evaluate(build.value, book), book));
  },
  rules: (bytes: Uint8Array): void => {
    const text = textOf(bytes);
    const rules = text.ok ? readRulesText(text.value) : text;
    short(rules.ok ? {} : rules);
  },
  parts: (bytes: Uint8Array): void => {
    const read = readPartsFile(bytes);
    short(read.ok ? {} : read);
    if (read.ok && read.value.kind === 'documents')
      for (const one of read.value.documents) {
        const document = readPart(one);
        short(document.ok ? {} : document);
      }
    if (read.ok && read.value.kind === 'table') {
      const { table } = read.value;
      partsFromTable('ring', table, guessMapping(partFields('ring'), table.columns, {}));
    }
  },
  cells: (bytes: Uint8Array): void => {
    const text = textOf(bytes);
    if (text.ok && readCells(text.value).cells.length > 1000) throw new Error('more than a thousand cells');
  },
  road: (bytes: Uint8Array): void => {
    const file = readRoadFile(bytes);
    if (file.kind === 'refused') {
      short(file);
      return;
    }
    const made = makeRoad({ file, columns: undefined, smoothM: 0 });
    short(made);
    // What is shown can be kept, and what is kept can be written and read.
    if (made.route === undefined) return;
    const kept = readRoute(JSON.parse(JSON.stringify(made.route)));
    if (!kept.ok) throw new Error(`shown, and cannot be kept: ${JSON.stringify(kept.issues)}`);
  },
} as const;
type Reader = keyof typeof readers;
const NAMES = Object.keys(readers) as Reader[];

/** Keeps an input that did harm, to be looked at. */
function keptAs(name: string, bytes: Uint8Array): string {
  const file = join(tmpdir(), `apple-cart-torture-${name}-${String(seed)}-${String(count)}`);
  writeFileSync(file, bytes);
  return file;
}

/** Longer than this over one input is a hang to whoever waits for it, ms of the processor: a busy machine is not the reader's doing, a slow one might be. */
const MOST_MS = 5000;
const processorMs = (): number => process.cpuUsage().user / 1000;

const encoder = new TextEncoder();
let [count, longestMs, toldAt] = [0, 0, 0];
const wrong: string[] = [];
for (; count < rounds && wrong.length === 0; count += 1) {
  const name = random.of(NAMES);
  const text = spoiled(random.of(texts[name]), random);
  const bytes = encoder.encode(text);
  const now = performance.now();
  if (now - toldAt > 300) {
    process.send?.({ count, longestMs, doing: `${name}, input ${String(count)} of seed ${String(seed)}` });
    toldAt = now;
  }
  const start = processorMs();
  try {
    readers[name](bytes);
  } catch (problem) {
    const words = problem instanceof Error ? (problem.stack ?? problem.message) : String(problem);
    wrong.push(`${name} throws on ${keptAs(name, bytes)}: ${words}`);
  }
  const took = processorMs() - start;
  longestMs = Math.max(longestMs, took);
  if (took > MOST_MS) wrong.push(`${name} takes ${took.toFixed(0)} ms on ${keptAs(name, bytes)}`);
  // Messages go out only between pieces of work.
  if (count % 2000 === 0) await new Promise((resume) => setImmediate(resume));
}
process.send?.({ count, longestMs, doing: 'ended', wrong }, () => process.exit(0));
