import { join } from 'node:path';
import { request } from 'node:http';
import * as fc from 'fast-check';
import { newBuild, shippedRules } from '@apple-cart/core';
import { buildDocument } from '../core/src/document/document.ts';
import { placeRules } from '../core/src/law/rule-schema.ts';
import { part } from '../core/src/parts/part.ts';
import { route } from '../core/src/route/route.ts';
import { drawn } from '../core/src/test/drawn.ts';
import { chance, type Bounds, type Chance, type Report } from './report.ts';
import { inFolder, start } from './server.ts';
import { spoiled } from './spoil.ts';

const KINDS = ['builds', 'parts', 'routes', 'rules'] as const;
const METHODS = ['GET', 'POST', 'PUT', 'DELETE', 'PATCH', 'OPTIONS', 'HEAD'] as const;
/** An answer to a question may be longer than it by this much: what is wrong with it, fifty times. */
const ROOM = 60_000;
/** An answer that takes so long hangs, ms: a busy machine is not the server's doing. */
const HANG_MS = 60_000;

/** An address cannot have half of a pair in it. */
const wellFormed = (text: string): string => Buffer.from(text).toString();

function addressOf(random: Chance, ids: readonly string[]): string {
  const kind = random.of(KINDS);
  const id = random.next() < 0.8 ? random.of(ids) : encodeURIComponent(wellFormed(spoiled('an-id', random)));
  return random.of([
    `/api/${kind}`,
    `/api/${kind}/import`,
    `/api/${kind}/${id}`,
    `/api/${kind}/${id}/restore`,
    `/api/${kind}/${id}/revisions`,
    `/api/${kind}/${id}/revisions/${String(random.below(40) - 2)}`,
    `/api/${kind}/${id}/pin`,
    `/api/${kind}/${id}/as-stored`,
    `/api/builds/${id}/export`,
    '/api/evaluate',
    '/api/backup',
    '/api/health',
    '/api/schema/build.json',
    `/${encodeURIComponent(wellFormed(spoiled('assets/index.js', random)))}`,
  ]);
}

interface Answered {
  readonly status: number;
  readonly length: number;
  readonly ms: number;
}

/** Asks with any bytes; undefined where the server cut the connection, which it may do to what is no request. */
function send(
  url: string,
  method: string,
  path: string,
  type: string,
  body: string,
): Promise<Answered | undefined> {
  const began = performance.now();
  return new Promise((done) => {
    const asking = request(`${url}${path}`, { method, headers: { 'content-type': type } }, (response) => {
      let length = 0;
      response.on('data', (chunk: Buffer) => (length += chunk.length));
      response.on('end', () => {
        done({ status: response.statusCode ?? 0, length, ms: performance.now() - began });
      });
    });
    asking.on('error', () => {
      done(undefined);
    });
    asking.end(body);
  });
}

/** Every address of the server, by every method, with spoilt and drawn bodies. */
export async function requests({ seed, untilMs, rounds }: Bounds): Promise<Report> {
  const random = chance(seed);
  const figures = { requests: 0, longestMs: 0, cut: 0 };
  const wrong: string[] = [];
  const texts = [buildDocument, route, part, placeRules].flatMap((schema) =>
    fc.sample(drawn(schema), { numRuns: 25, seed }).map((one) => JSON.stringify(one)),
  );
  texts.push(JSON.stringify(newBuild('Torture')), JSON.stringify(shippedRules()[0]));
  const ids = ['one', 'two', 'gb', 'ring-38'];
  await inFolder(async (folder) => {
    const victim = await start(join(folder, 'a.sqlite'));
    // The thread that judges builds begins with the first question: that is a start, not an answer.
    await send(victim.url, 'POST', '/api/evaluate', 'application/json', JSON.stringify(newBuild('First')));
    const life = { over: false };
    victim.child.once('exit', () => (life.over = true));
    const one = async (): Promise<void> => {
      const [method, path] = [random.of(METHODS), addressOf(random, ids)];
      const document = random.of(texts);
      const whole =
        random.next() < 0.5 ? document : `{"baseVersion":${String(random.below(3))},"document":${document}}`;
      const body = method === 'GET' || method === 'HEAD' ? '' : spoiled(whole, random);
      const type = random.next() < 0.95 ? 'application/json' : 'text/plain';
      const answer = await send(victim.url, method, path, type, body);
      figures.requests += 1;
      if (answer === undefined) {
        figures.cut += 1;
        return;
      }
      figures.longestMs = Math.max(figures.longestMs, answer.ms);
      const what = `${method} ${path} with ${String(body.length)} characters (seed ${String(seed)})`;
      if (answer.status >= 500) wrong.push(`${what} is answered ${String(answer.status)}`);
      if (answer.status >= 400 && answer.length > body.length + ROOM)
        wrong.push(`${what} is answered by ${String(answer.length)} bytes`);
      if (answer.ms > HANG_MS) wrong.push(`${what} takes ${answer.ms.toFixed(0)} ms`);
    };
    while (!life.over && figures.requests < rounds && Date.now() < untilMs && wrong.length === 0)
      await Promise.all(Array.from({ length: 4 }, one));
    if (life.over) wrong.push(`the server ended (seed ${String(seed)})`);
    else await victim.kill();
  });
  return { name: 'requests', seed, figures, wrong };
}
