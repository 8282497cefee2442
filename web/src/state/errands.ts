import type { DocumentApi } from './api.ts';
import type { Errand } from './saving.ts';

/** Does what waits beside edits, for a document of any kind. */
export const errandsOf =
  <T, L>({ versions }: DocumentApi<T, L>, id: string) =>
  async (errand: Errand<T>): Promise<void> => {
    if (errand.kind === 'unpin') await versions.unpin(id);
    else await versions.keep(id, errand);
  };
