import { writeCsv } from '@apple-cart/contracts/csv';
import {
  SCHEMA_VERSION,
  evaluate,
  harnessTable,
  purchaseTable,
  type Part,
  type RuleBook,
} from '@apple-cart/core';
import type { Stores } from '../stores.ts';
import { jobSize } from './job-size.ts';
import { rideCsv } from './ride-csv.ts';
import { zipped, type ZipEntry } from './zip.ts';

const text = (value: unknown): Uint8Array => new TextEncoder().encode(`${JSON.stringify(value, null, 2)}\n`);

/** A photograph, fetched when its turn comes. */
async function* pictureOf({ photos }: Stores, id: string, key: string): AsyncGenerator<Uint8Array> {
  yield (await photos.picture(id, key)).data;
}

/**
 * A whole job as one open file: the build, its records, recordings and photographs, and tables of the parts list and the harness.
 * @returns the file's bytes part by part, as they are asked for
 * @throws Problem 404, and 413 where it is more than one file takes
 */
export async function jobFile(
  stores: Stores,
  id: string,
  book: RuleBook,
  shelf: readonly Part[],
): Promise<{ readonly name: string; readonly parts: AsyncGenerator<Uint8Array> }> {
  const { builds, records, photos, logs } = stores;
  const { document } = await builds.get(id);
  await jobSize(stores, id);
  const kept = await records.list(id, undefined);
  const pictures = await photos.list(id);
  const verdict = evaluate(document, book, shelf);
  const recordings = await logs.list(id);
  const table = ({ columns, rows }: ReturnType<typeof harnessTable>): Uint8Array =>
    new TextEncoder().encode(writeCsv(columns, rows));
  const entries: readonly ZipEntry[] = [
    { name: 'build.json', parts: [text(document)] },
    { name: 'settings.json', parts: [text(document.settings)] },
    { name: 'purchase.csv', parts: [table(purchaseTable(document, verdict.list.rows))] },
    { name: 'harness.csv', parts: [table(harnessTable(document, verdict.wiring))] },
    {
      name: 'bench.json',
      parts: [
        text({
          records: kept.records.map(({ key, kind, parent, at, data }) => ({ key, kind, parent, at, data })),
          photos: pictures.map(({ key, parent, step, at }) => ({ key, parent, step, at })),
        }),
      ],
    },
    ...recordings.map((log) => ({ name: `rides/${log.key}.csv`, parts: rideCsv(logs, log) })),
    ...pictures.map(({ key }) => ({ name: `photos/${key}.jpg`, parts: pictureOf(stores, id, key) })),
  ];
  return { name: document.name, parts: zipped(entries, SCHEMA_VERSION) };
}
