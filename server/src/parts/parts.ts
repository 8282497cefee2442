import { readPart, type Part } from '@apple-cart/core';
import { documentEntity } from '../store/document-row.ts';
import type { Kind } from '../store/kind.ts';

export const partKind: Kind<Part> = {
  entity: documentEntity('part', 'parts'),
  word: 'part',
  read: readPart,
  ownId: (part) => part.id,
};
