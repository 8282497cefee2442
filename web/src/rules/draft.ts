/** Unkept changes to rules, so that a closed window loses nothing that was typed. */
const key = (id: string): string => `apple-cart-rules-draft-${id}`;

export function readRulesDraft(id: string): unknown {
  try {
    const text = localStorage.getItem(key(id));
    return text === null ? undefined : (JSON.parse(text) as unknown);
  } catch {
    return undefined;
  }
}

export function keepRulesDraft(id: string, draft: unknown): void {
  try {
    localStorage.setItem(key(id), JSON.stringify(draft));
  } catch {
    // A full or forbidden store: the form itself still has everything.
  }
}

export function dropRulesDraft(id: string): void {
  try {
    localStorage.removeItem(key(id));
  } catch {
    // Nothing was kept either.
  }
}
