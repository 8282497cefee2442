import { EntitySchema } from 'typeorm';

/** A build as stored: the document as JSON text, beside what lists and conflicts need. */
export interface BuildRow {
  id: string;
  name: string;
  /** Grows by one with every accepted change; an edit names the version it began from. */
  version: number;
  document: string;
  pinnedRevision: number | null;
  createdAt: string;
  updatedAt: string;
  deletedAt: string | null;
}

/** Why a revision was kept. */
export type RevisionReason = 'auto' | 'named' | 'pin' | 'set-aside';

export interface RevisionRow {
  id: number;
  buildId: string;
  version: number;
  name: string | null;
  reason: RevisionReason;
  document: string;
  createdAt: string;
}

export const buildEntity = new EntitySchema<BuildRow>({
  name: 'build',
  tableName: 'builds',
  columns: {
    id: { type: 'varchar', primary: true },
    name: { type: 'varchar' },
    version: { type: 'integer' },
    document: { type: 'text' },
    pinnedRevision: { type: 'integer', nullable: true },
    createdAt: { type: 'varchar' },
    updatedAt: { type: 'varchar' },
    deletedAt: { type: 'varchar', nullable: true },
  },
});

export const revisionEntity = new EntitySchema<RevisionRow>({
  name: 'revision',
  tableName: 'revisions',
  columns: {
    id: { type: 'integer', primary: true, generated: 'increment' },
    buildId: {
      type: 'varchar',
      foreignKey: { target: 'build', name: 'FK_revisions_build', onDelete: 'CASCADE' },
    },
    version: { type: 'integer' },
    name: { type: 'varchar', nullable: true },
    reason: { type: 'varchar' },
    document: { type: 'text' },
    createdAt: { type: 'varchar' },
  },
  indices: [{ name: 'IDX_revisions_build', columns: ['buildId'] }],
});
