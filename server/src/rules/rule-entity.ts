import { EntitySchema } from 'typeorm';

/** A file of rules that a user added or corrected, as JSON text. Those that ship are not stored. */
export interface RuleRow {
  /** Of the place. */
  id: string;
  version: number;
  document: string;
  deletedAt: string | null;
}

export const ruleEntity = new EntitySchema<RuleRow>({
  name: 'rule',
  tableName: 'rules',
  columns: {
    id: { type: 'varchar', primary: true },
    version: { type: 'integer' },
    document: { type: 'text' },
    deletedAt: { type: 'varchar', nullable: true },
  },
});
