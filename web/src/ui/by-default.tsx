import type { KnownSource } from '@apple-cart/core';
import { SourceMark } from './source-mark.tsx';

/** What a number is worked out from. */
export type From = readonly { readonly source: KnownSource }[];

/** True where a number is worked out from something that nobody has read. */
export const onDefault = (from: From | undefined): boolean =>
  from?.some(({ source }) => source === 'unknown') === true;

/** Beside a number that a default makes. */
export const ByDefault = () => (
  <span className="inline-flex items-center gap-1.5 text-[12px] font-normal whitespace-nowrap text-slate">
    <SourceMark source="unknown" /> <span className="@max-[345px]:sr-only">by a default</span>
  </span>
);
