import type { BuildDocument, Part, PlaceRules, Route, RouteSummary } from '@apple-cart/core';
import { buildKind } from './builds/builds.ts';
import { openDatabase, type Database } from './database/database.ts';
import { JobReader } from './job-file/job-reader.ts';
import { LogImports } from './logs/log-imports.ts';
import { LogStore, chunkEntity, logEntity } from './logs/log-store.ts';
import { partKind } from './parts/parts.ts';
import { PhotoStore, photoEntity } from './photos/photo-store.ts';
import { recordEntity } from './records/record-row.ts';
import { RecordStore } from './records/record-store.ts';
import { routeKind } from './routes/routes.ts';
import { ruleKind } from './rules/rule-book.ts';
import { DocumentStore } from './store/document-store.ts';
import { revisionEntity } from './store/revisions.ts';

/** Everything that is stored, by kind. */
export interface Stores {
  readonly builds: DocumentStore<BuildDocument>;
  readonly parts: DocumentStore<Part>;
  readonly routes: DocumentStore<Route, RouteSummary>;
  readonly rules: DocumentStore<PlaceRules>;
  readonly records: RecordStore;
  readonly photos: PhotoStore;
  readonly logs: LogStore;
  readonly imports: LogImports;
  readonly jobReader: JobReader;
}

/** The database with a table for every kind, and one for revisions. */
export const openStored = (file: string): Promise<Database> =>
  openDatabase(file, [
    ...[buildKind, partKind, routeKind, ruleKind].map((kind) => kind.entity),
    revisionEntity,
    recordEntity,
    photoEntity,
    logEntity,
    chunkEntity,
  ]);

export function openStores(database: Database, now?: () => Date): Stores {
  const builds = new DocumentStore(database, buildKind, now);
  const records = new RecordStore(database, builds, now);
  return {
    builds,
    records,
    photos: new PhotoStore(database, records, now),
    logs: new LogStore(database),
    imports: new LogImports(database),
    jobReader: new JobReader(),
    parts: new DocumentStore(database, partKind, now),
    routes: new DocumentStore(database, routeKind, now),
    rules: new DocumentStore(database, ruleKind, now),
  };
}
