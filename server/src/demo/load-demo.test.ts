import { mkdtemp, mkdir, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { evaluate, shippedRules } from '@apple-cart/core';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { fixture, named, type Fixture } from '../test/fixture.ts';
import { loadDemo } from './load-demo.ts';

const DEMO = resolve(import.meta.dirname, '../../../demo');
let it_: Fixture;
beforeEach(async () => {
  it_ = await fixture();
});
afterEach(() => it_.end());

describe('the demo scenario', () => {
  it('fills an empty database with five builds, the parts they use and the roads they name', async () => {
    await loadDemo(DEMO, it_.stores);
    const builds = (await it_.stores.builds.list()).documents;
    expect(builds.map((b) => b.document.name)).toEqual([
      // One that is in order comes first.
      'Kiln courier',
      'District nurse’s tourer',
      'Orchard longtail',
      'Choir tandem',
      'Tide-flat trike',
    ]);
    const roads = new Set((await it_.stores.routes.list()).documents.map((r) => r.id));
    expect(roads.size).toBeGreaterThanOrEqual(6);
    for (const { document } of builds)
      for (const id of [document.brief.hillRoute, document.brief.rangeRoute])
        if (id !== '') expect(roads, document.name).toContain(id);
    const shelf = new Set((await it_.stores.parts.list()).documents.map((p) => p.document.name));
    for (const { document } of builds) {
      expect(shelf, document.name).toContain(document.drive.name);
      expect(shelf, document.name).toContain(document.packs[0].name);
      expect(shelf, document.name).toContain(document.donor.name);
    }
  });

  it('shows a good answer first: whatever the first sample can stand at without a workshop, it stands fine at', async () => {
    await loadDemo(DEMO, it_.stores);
    const [first] = (await it_.stores.builds.list()).documents;
    if (first === undefined) throw new Error('no sample');
    const shelf = (await it_.stores.parts.list()).documents.map((p) => p.document);
    const { stages, figures } = evaluate(first.document, shippedRules(), shelf);
    expect(stages.slice(0, 8).map((s) => [s.id, s.state])).toEqual(
      ['brief', 'donor', 'drive', 'power', 'law', 'hill', 'range', 'buy'].map((id) => [id, 'fine']),
    );
    expect(figures.filter((f) => f.state !== 'fine').map((f) => f.id)).toEqual([]);
  });

  it('changes nothing on a second start, and never touches what a user made', async () => {
    const mine = await it_.stores.builds.create(named('Mine'));
    await loadDemo(DEMO, it_.stores);
    expect((await it_.stores.builds.list()).documents.map((b) => b.id)).toEqual([mine.id]);
    const count = (await it_.stores.parts.list()).documents.length;
    await loadDemo(DEMO, it_.stores);
    expect((await it_.stores.parts.list()).documents).toHaveLength(count);
  });

  it('does not bring back samples that were put away', async () => {
    await loadDemo(DEMO, it_.stores);
    const store = it_.stores.builds;
    for (const { id } of (await store.list()).documents) await store.putAway(id);
    await loadDemo(DEMO, it_.stores);
    expect((await store.list()).documents).toEqual([]);
  });

  it('stops at a broken file and says which', async () => {
    const folder = await mkdtemp(join(tmpdir(), 'apple-cart-demo-'));
    await mkdir(join(folder, 'builds'));
    await writeFile(join(folder, 'parts.json'), '[]');
    await writeFile(join(folder, 'builds', 'bad.json'), '{"schemaVersion":1}');
    await expect(loadDemo(folder, it_.stores)).rejects.toThrow(/bad\.json: .*wanted/);
    await rm(folder, { recursive: true });
  });
});
