import { EntitySchema } from 'typeorm';

/** A route as stored: the document as JSON text, and what a list shows so that it need not be read. */
export interface RouteRow {
  id: string;
  name: string;
  version: number;
  /** Summary for lists, JSON text. */
  summary: string;
  document: string;
  /** Put away, not deleted: a sample that was put away does not come back with the samples. */
  deletedAt: string | null;
}

export const routeEntity = new EntitySchema<RouteRow>({
  name: 'route',
  tableName: 'routes',
  columns: {
    id: { type: 'varchar', primary: true },
    name: { type: 'varchar' },
    version: { type: 'integer' },
    summary: { type: 'text' },
    document: { type: 'text' },
    deletedAt: { type: 'varchar', nullable: true },
  },
});
