import { readBuild, type BuildDocument } from '@apple-cart/core';
import type { Database } from '../database/database.ts';
import { documentEntity } from '../store/document-row.ts';
import { DocumentStore } from '../store/document-store.ts';
import type { Kind } from '../store/kind.ts';
import { Revisions } from '../store/revisions.ts';

export const buildKind: Kind<BuildDocument> = {
  entity: documentEntity('build', 'builds'),
  word: 'build',
  read: readBuild,
};

/** Builds, and the versions of them that are kept. */
export interface Builds {
  readonly store: DocumentStore<BuildDocument>;
  readonly revisions: Revisions<BuildDocument>;
}

export function openBuilds(database: Database, now: () => Date = () => new Date()): Builds {
  const revisions = new Revisions(database, readBuild, now);
  const store = new DocumentStore(database, buildKind, now, (manager, row, name) =>
    revisions.keepBefore(manager, row, name),
  );
  return { store, revisions };
}
