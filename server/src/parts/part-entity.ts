import { EntitySchema } from 'typeorm';

export interface PartRow {
  id: string;
  type: string;
  document: string;
  version: number;
  /** Put away, not deleted: a sample part that was put away does not come back with the samples. */
  deletedAt: string | null;
}

export const partEntity = new EntitySchema<PartRow>({
  name: 'part',
  tableName: 'parts',
  columns: {
    id: { type: 'varchar', primary: true },
    type: { type: 'varchar' },
    document: { type: 'text' },
    version: { type: 'integer', default: 1 },
    deletedAt: { type: 'varchar', nullable: true },
  },
});
