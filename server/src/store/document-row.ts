import { EntitySchema } from 'typeorm';

/** A document as stored: its JSON text, beside what lists and conflicts need. */
export interface DocumentRow {
  id: string;
  /** Grows by one with every accepted change; an edit names the version it began from. */
  version: number;
  document: string;
  /** What a list shows in place of the document, as JSON text; empty where lists show the document. */
  summary: string;
  createdAt: string;
  updatedAt: string;
  /** Put away, not deleted: it can be brought back, and a sample that was put away does not come back by itself. */
  deletedAt: string | null;
}

/** The table of one kind of document. */
export const documentEntity = (name: string, tableName: string): EntitySchema<DocumentRow> =>
  new EntitySchema<DocumentRow>({
    name,
    tableName,
    columns: {
      id: { type: 'varchar', primary: true },
      version: { type: 'integer' },
      document: { type: 'text' },
      summary: { type: 'text', default: '' },
      createdAt: { type: 'varchar' },
      updatedAt: { type: 'varchar' },
      deletedAt: { type: 'varchar', nullable: true },
    },
  });
