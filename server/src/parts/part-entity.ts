import { EntitySchema } from 'typeorm';

export interface PartRow {
  id: string;
  type: string;
  document: string;
}

export const partEntity = new EntitySchema<PartRow>({
  name: 'part',
  tableName: 'parts',
  columns: {
    id: { type: 'varchar', primary: true },
    type: { type: 'varchar' },
    document: { type: 'text' },
  },
});
