import { specAt, type BuildDocument, type QuantityPath } from '../document/document.ts';
import { knownBuild, knownInUse } from '../document/known.ts';
import { knownAt, withQuantity, withValue } from '../document/quantity-at.ts';
import { isCounted } from '../document/quantity-spec.ts';
import { plausibleSpan } from '../machine/span.ts';

/**
 * A build in which nobody has read one of its quantities, and the same with an end of what that may plausibly be. Undefined where
 * the one that is picked is worked out of others: that is as unknown as they are.
 * @param counts which quantities are picked from
 */
export function unreadAtEnd(
  build: BuildDocument,
  pick: number,
  high: boolean,
  counts: (path: QuantityPath) => boolean = () => true,
): { readonly path: QuantityPath; readonly less: BuildDocument; readonly other: BuildDocument } | undefined {
  const used = knownInUse(build, knownBuild(build)).filter(({ path }) => counts(path));
  const path = used[pick % used.length]?.path;
  if (path === undefined) return undefined;
  const less = withQuantity(build, path, { source: 'unknown' });
  const known = knownAt(knownBuild(less), path);
  if (known.source !== 'unknown' || known.restsOn !== undefined) return undefined;
  const end = plausibleSpan(known)[high ? 1 : 0];
  return { path, less, other: withValue(less, path, isCounted(specAt(path)) ? Math.round(end) : end) };
}
