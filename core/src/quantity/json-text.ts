import { fail, ok, type Result } from './result.ts';

/** Reads JSON text; broken JSON becomes an issue that says where it breaks, never an exception. */
export function jsonText(text: string): Result<unknown> {
  try {
    return ok(JSON.parse(text) as unknown);
  } catch (error) {
    return fail({
      code: 'json',
      path: '',
      actual: text.slice(0, 40),
      limit: `JSON (${error instanceof Error ? error.message : 'cannot be read'})`,
    });
  }
}
