import { QueryObserver } from '@tanstack/react-query';
import { describe, expect, it } from 'vitest';
import { ApiError } from './api.ts';
import { hasRead, queryClient } from './query-client.ts';

describe('what was read', () => {
  it('is told from what could not be read anew; nobody waits for what is not in view', async () => {
    let answers = true;
    const query = {
      queryKey: ['a list'],
      queryFn: () => (answers ? Promise.resolve('read') : Promise.reject(new ApiError(400, 'no'))),
    };
    const leave = new QueryObserver(queryClient, query).subscribe(() => undefined);
    expect(await hasRead(['a list'])).toBe(true);
    answers = false;
    expect(await hasRead(['a list'])).toBe(false);
    expect(queryClient.getQueryData(['a list'])).toBe('read');
    leave();
    expect(await hasRead(['a list'])).toBe(true);
  });
});
