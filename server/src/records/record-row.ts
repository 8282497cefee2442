import { EntitySchema } from 'typeorm';

/** A fact as stored: its JSON text beside what finds it. */
export interface RecordRow {
  seq: number;
  key: string;
  buildId: string;
  kind: string;
  parent: string | null;
  data: string;
  at: string;
}

export const recordEntity = new EntitySchema<RecordRow>({
  name: 'record',
  tableName: 'records',
  columns: {
    seq: { type: 'integer', primary: true, generated: 'increment' },
    key: { type: 'varchar' },
    buildId: { type: 'varchar' },
    kind: { type: 'varchar' },
    parent: { type: 'varchar', nullable: true },
    data: { type: 'text' },
    at: { type: 'varchar' },
  },
  indices: [
    { name: 'IDX_records_key', columns: ['key'], unique: true },
    { name: 'IDX_records_build', columns: ['buildId', 'kind'] },
  ],
});
