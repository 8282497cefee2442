import type { Result } from '../quantity/result.ts';
import { readBy } from '../quantity/zod-issues.ts';
import { part, type Part } from './part.ts';

/** Validates unknown data as a part of the shelf; what its maker does not give is filled as not given. */
export const readPart = (data: unknown): Result<Part> => readBy(part, data);
