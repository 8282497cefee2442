import { readBuild, type BuildDocument } from '@apple-cart/core';
import { documentEntity } from '../store/document-row.ts';
import type { Kind } from '../store/kind.ts';

export const buildKind: Kind<BuildDocument> = {
  entity: documentEntity('build', 'builds'),
  word: 'build',
  read: readBuild,
  keepsItself: true,
};
