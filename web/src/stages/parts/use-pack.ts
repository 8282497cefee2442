import { useSearchParams } from 'react-router';
import {
  packPath,
  type BuildDocument,
  type PackDocument,
  type PackIndex,
  type PackPath,
} from '@apple-cart/core';

/** Which of a build's packs is looked at, by the address: `?pack=2` is the second. */
export function packIndexIn(params: URLSearchParams, { packs }: BuildDocument): PackIndex {
  const asked = Number(params.get('pack') ?? 1) - 1;
  const index = Number.isInteger(asked) ? Math.min(packs.length - 1, Math.max(0, asked)) : 0;
  return index as PackIndex;
}

interface LookedAt {
  readonly index: PackIndex;
  /** Its group in the document. */
  readonly at: PackPath;
  readonly pack: PackDocument;
}

/** The pack that is looked at, of a document that is shown. */
export function usePack(build: BuildDocument): LookedAt {
  const [params] = useSearchParams();
  const index = packIndexIn(params, build);
  return { index, at: packPath(index), pack: build.packs[index] ?? build.packs[0] };
}
