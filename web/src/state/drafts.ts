import { readBuild, type BuildDocument } from '@apple-cart/core';

/** An edit that the server has not acknowledged yet, kept in the browser so that a crash loses nothing. */
export interface Draft {
  readonly baseVersion: number;
  readonly document: BuildDocument;
}

const key = (id: string): string => `apple-cart-draft-${id}`;

export function keepDraft(id: string, draft: Draft): void {
  try {
    localStorage.setItem(key(id), JSON.stringify(draft));
  } catch {
    // A full or forbidden store only loses the second copy; the page still holds the first.
  }
}

export function dropDraft(id: string): void {
  localStorage.removeItem(key(id));
}

export function readDraft(id: string): Draft | undefined {
  const text = localStorage.getItem(key(id));
  if (text === null) return undefined;
  try {
    const data = JSON.parse(text) as { baseVersion?: unknown; document?: unknown };
    const document = readBuild(data.document);
    return document.ok && typeof data.baseVersion === 'number'
      ? { baseVersion: data.baseVersion, document: document.value }
      : undefined;
  } catch {
    return undefined;
  }
}
