import { mkdir, mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Express } from 'express';
import request from 'supertest';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { evaluate, shippedRules, toldVerdict, type ToldVerdict } from '@apple-cart/core';
import { createApp } from './app.ts';
import { fixture, named, type Fixture } from './test/fixture.ts';

let it_: Fixture;
beforeEach(async () => {
  it_ = await fixture();
});
afterEach(() => it_.end());
const api = () => request(it_.app);

describe('POST /api/evaluate', () => {
  it('returns the very verdict of the core and stores nothing', async () => {
    const build = named('Passing by');
    const response = await api().post('/api/evaluate').send(build).expect(200);
    expect(response.body).toEqual(
      JSON.parse(JSON.stringify(toldVerdict(evaluate(build, shippedRules()), shippedRules()))),
    );
    expect((response.body as ToldVerdict).figures).toHaveLength(10);
    expect((await it_.stores.builds.list()).documents).toEqual([]);
  });

  it('refuses a bad document with its issues', async () => {
    const response = await api().post('/api/evaluate').send({ schemaVersion: 1 }).expect(400);
    expect((response.body as { error: { issues: unknown[] } }).error.issues.length).toBeGreaterThan(5);
  });
});

describe('what programs can read', () => {
  it('is the JSON Schema, the places with their rules, the shelf and the health', async () => {
    const schema = await api().get('/api/schema/build.json').expect(200);
    expect((schema.body as { title: string }).title).toBe('Apple Cart build');
    const rules = await api().get('/api/rules').expect(200);
    expect((rules.body as { documents: unknown[] }).documents).toHaveLength(shippedRules().length);
    expect((await api().get('/api/parts').expect(200)).body).toEqual({ documents: [], broken: [] });
    expect((await api().get('/api/health').expect(200)).body).toEqual({ ok: true });
  });

  it('ends with a plain 404', async () => {
    const response = await api().get('/api/nothing').expect(404);
    expect(response.body).toEqual({ error: { code: 'not-found', message: 'There is no such address.' } });
  });
});

describe('only this machine', () => {
  it('refuses another Host, against DNS rebinding', async () => {
    await api().get('/api/builds').set('Host', 'evil.example').expect(403);
    await api().get('/api/builds').set('Host', '127.0.0.1.evil.example').expect(403);
    await api().get('/api/builds').set('Host', 'localhost:4312').expect(200);
    await api().get('/api/builds').set('Host', '[::1]:4312').expect(200);
  });

  it('refuses another page’s Origin, and takes its own', async () => {
    const from = (origin: string) =>
      api().post('/api/evaluate').set('Host', '127.0.0.1:4312').set('Origin', origin).send(named('x'));
    await from('http://evil.example').expect(403);
    await from('http://127.0.0.1:9999').expect(403);
    await from('null').expect(403);
    await from('http://127.0.0.1:4312').expect(200);
  });

  it('sends a strict policy: scripts of its own only, none inline, no framing', async () => {
    const { headers } = await api().get('/api/health');
    const policy = headers['content-security-policy'] ?? '';
    expect(policy).toContain("script-src 'self'");
    expect(policy).not.toMatch(/script-src[^;]*unsafe/);
    expect(policy).toContain("default-src 'self'");
    expect(policy).toContain("connect-src 'self'");
    expect(policy).toContain("frame-ancestors 'none'");
    expect(headers['x-powered-by']).toBeUndefined();
    expect(headers['x-content-type-options']).toBe('nosniff');
  });
});

describe('the built page', () => {
  let web: string;
  let served: Express;
  beforeEach(async () => {
    web = await mkdtemp(join(tmpdir(), 'apple-cart-web-'));
    await mkdir(join(web, 'assets'));
    await writeFile(join(web, 'index.html'), '<!doctype html><title>Apple Cart</title>');
    await writeFile(join(web, 'assets', 'index-abc.js'), 'export {};');
    served = createApp({ ...it_.parts, webFolder: web });
  });
  afterEach(() => rm(web, { recursive: true }));

  it.each(['/', '/builds/any/hill', '/nowhere'])('answers %s with the page, never kept', async (path) => {
    const response = await request(served).get(path).expect(200);
    expect(response.text).toContain('<title>Apple Cart</title>');
    expect(response.headers['cache-control']).toBe('no-cache');
  });

  it('keeps its scripts for good, and a missing one is a plain 404', async () => {
    const found = await request(served).get('/assets/index-abc.js').expect(200);
    expect(found.headers['cache-control']).toContain('immutable');
    const missing = await request(served).get('/assets/index-old.js').expect(404);
    expect(missing.body).toEqual({ error: { code: 'not-found', message: 'There is no such file.' } });
  });

  it('leads out of its folder nowhere', async () => {
    const response = await request(served).get('/assets/..%2f..%2fetc%2fpasswd');
    expect(response.status).toBeGreaterThanOrEqual(400);
    expect(response.text).not.toContain('root:');
  });

  it('answers an address that cannot be decoded with 400', async () => {
    await request(served).get('/api/builds/%E0%A4%A').expect(400);
  });
});

describe('what the machine cannot do', () => {
  it('a full disk is said, nothing is stored, and there is room again later', async () => {
    const { writer } = it_.database;
    const [{ page_count: pages }] = await writer.query<[{ page_count: number }]>('PRAGMA page_count');
    await writer.query(`PRAGMA max_page_count = ${String(pages)}`);
    const big = { ...named('Big'), notes: undefined };
    const answers = [];
    for (let i = 0; i < 20; i += 1) answers.push(await request(it_.app).post('/api/builds').send(big));
    const refused = answers.filter((answer) => answer.status === 507);
    expect(refused.length).toBeGreaterThan(0);
    expect(refused[0]?.body).toMatchObject({
      error: {
        code: 'disk-full',
        message: expect.stringMatching(/disk is full: nothing was stored/) as string,
      },
    });
    const kept = (await it_.stores.builds.list()).documents.length;
    expect(kept).toBe(answers.length - refused.length);
    await writer.query('PRAGMA max_page_count = 1000000');
    await request(it_.app).post('/api/builds').send(big).expect(201);
  });

  it('an address of this machine with more before or behind it is another', async () => {
    for (const host of [
      '[::1]evil.example',
      'evil@127.0.0.1',
      '127.0.0.1:',
      'localhost:99999999',
      'localhost.',
    ])
      await request(it_.app).get('/api/builds').set('Host', host).expect(403);
  });
});
