import { useState } from 'react';
import { useBuild } from './build-store.ts';

/** Texts that could not be used, by build and field: they outlive the field, so that a walk to another stage loses none. */
const kept = new Map<string, string>();

/**
 * The text being typed into a field, undefined while the field shows the document's own value. The setter
 * takes whether the text is unusable; such a text is kept until it is mended or dropped.
 */
export function useKeptText(
  field: string,
): readonly [string | undefined, (text: string | undefined, unusable?: boolean) => void] {
  const id = useBuild((state) => state.id);
  const key = `${id ?? ''} ${field}`;
  const [text, setText] = useState(() => kept.get(key));
  return [
    text,
    (next, unusable = false) => {
      if (next !== undefined && unusable) kept.set(key, next);
      else kept.delete(key);
      setText(next);
    },
  ];
}
