// @vitest-environment happy-dom
import { cleanup } from '@testing-library/react';
import { beforeAll, describe, expect, it } from 'vitest';
import { PART_TYPES, readBuild, readRoute, routeSummary, shippedRules } from '@apple-cart/core';
import courierFile from '../../demo/builds/0405-kiln-courier.json' with { type: 'json' };
import tourerFile from '../../demo/builds/0409-district-nurses-tourer.json' with { type: 'json' };
import longtailFile from '../../demo/builds/0412-orchard-longtail.json' with { type: 'json' };
import tandemFile from '../../demo/builds/0417-choir-tandem.json' with { type: 'json' };
import trikeFile from '../../demo/builds/0421-tide-flat-trike.json' with { type: 'json' };
import crateLaneFile from '../../demo/routes/crate-lane.json' with { type: 'json' };
import tideCausewayFile from '../../demo/routes/tide-causeway.json' with { type: 'json' };
import { BuildsPage } from './builds/builds-page.tsx';
import { GlossaryPage } from './glossary/glossary-page.tsx';
import { RoutePage } from './routes/route-page.tsx';
import { RoutesPage } from './routes/routes-page.tsx';
import { RulesFilePage } from './rules/rules-file-page.tsx';
import { RulesPage } from './rules/rules-page.tsx';
import { ShelfPage } from './shelf/shelf-page.tsx';
import { queryClient } from './state/query-client.ts';
import { shown, showsPages, stored, stumbles } from './test/pages.ts';

showsPages();

const builds = [courierFile, tourerFile, longtailFile, tandemFile, trikeFile].map((file) => {
  const read = readBuild(file);
  if (!read.ok) throw new Error('a build of the demo');
  return read.value;
});
const roads = [crateLaneFile, tideCausewayFile].map((file) => {
  const read = readRoute(file);
  if (!read.ok) throw new Error('a road of the demo');
  return read.value;
});

beforeAll(() => {
  const list = (documents: readonly unknown[]) => ({ documents, broken: [] });
  queryClient.setQueryData(['builds'], list(builds.map((build) => stored(build.job, build))));
  queryClient.setQueryData(
    ['routes'],
    list(
      roads.map((road, i) => ({ ...stored(`road-${String(i)}`, undefined), summary: routeSummary(road) })),
    ),
  );
  roads.forEach((road, i) => {
    queryClient.setQueryData(['route', `road-${String(i)}`], stored(`road-${String(i)}`, road));
  });
});

const PLACES = shippedRules().map(({ id }) => id);
const PAGES = [
  { at: '/', path: '/', Page: BuildsPage, says: 'Kiln courier' },
  { at: '/words', path: '/words', Page: GlossaryPage, says: 'Roll-out' },
  { at: '/routes', path: '/routes', Page: RoutesPage, says: 'Crate Lane' },
  { at: '/routes/road-0', path: '/routes/:id', Page: RoutePage, says: 'Crate Lane' },
  { at: '/routes/road-1', path: '/routes/:id', Page: RoutePage, says: 'Tide causeway' },
  { at: '/rules', path: '/rules', Page: RulesPage, says: 'Great Britain' },
  ...PLACES.map((id) => ({ at: `/rules/${id}`, path: '/rules/:id', Page: RulesFilePage, says: 'Rule book' })),
  ...PART_TYPES.map((type) => ({
    at: `/shelf/${type}`,
    path: '/shelf/:type?',
    Page: ShelfPage,
    says: 'shelf',
  })),
];

describe.each(PAGES)('the page at $at', ({ at, path, Page, says }) => {
  it('reads as a person writes', async () => {
    const { page, complaints } = await shown(Page, at, path);
    expect(page.textContent).toContain(says);
    expect(stumbles(page)).toEqual([]);
    const ids = [...page.querySelectorAll('[id]')].map((e) => e.id);
    expect(ids.filter((id, i) => ids.indexOf(id) !== i)).toEqual([]);
    expect(complaints).toEqual([]);
    cleanup();
  });
});
