import { fail, ok, type Result } from '../quantity/result.ts';

/** What is needed of the platform's own decoder (WHATWG Encoding), which browsers and Node share. */
declare const TextDecoder: new (
  label: string,
  options: { readonly fatal: boolean },
) => { decode(bytes: Uint8Array): string };

type Encoding = 'utf-8' | 'utf-16le' | 'utf-16be';

/**
 * The encoding that the first bytes tell: by their mark (Unicode 16.0, section 23.8), or for text without one by the
 * empty halves that plain letters have in UTF-16.
 */
function encodingOf([a, b, c, d]: Uint8Array): Encoding {
  if (a === 0xff && b === 0xfe) return 'utf-16le';
  if (a === 0xfe && b === 0xff) return 'utf-16be';
  if (a !== undefined && a !== 0 && b === 0 && c !== undefined && c !== 0 && d === 0) return 'utf-16le';
  if (a === 0 && b !== undefined && b !== 0 && c === 0 && d !== undefined && d !== 0) return 'utf-16be';
  return 'utf-8';
}

/** The text of a file: UTF-8 or UTF-16, with or without its mark; any other is named, never read as rubbish. */
export function textOf(bytes: Uint8Array): Result<string> {
  const encoding = encodingOf(bytes);
  try {
    // The decoder takes the mark away.
    return ok(new TextDecoder(encoding, { fatal: true }).decode(bytes));
  } catch {
    return fail({
      code: 'text',
      path: '',
      actual: encoding === 'utf-8' ? 'other bytes' : `broken ${encoding.toUpperCase()}`,
      limit: 'text in UTF-8 or UTF-16 (an older code page has to be saved as UTF-8 first)',
    });
  }
}
