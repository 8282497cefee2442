import { useQuery } from '@tanstack/react-query';
import { api } from './api.ts';
import { queryClient } from './query-client.ts';

const ME = ['share', 'me'] as const;

/** This page is served by the computer that it is shown on: nobody has to be let in. */
export const isHere = ['127.0.0.1', 'localhost', '[::1]'].includes(window.location.hostname);

/** Whether this device may use the server; undefined while that is asked. */
export function useLetIn(): boolean | undefined {
  const { data } = useQuery({ queryKey: ME, queryFn: () => api.share.me(), enabled: !isHere });
  return isHere ? true : data?.in;
}

/** Enters a code. @throws ApiError in words where it is not the one */
export async function enterCode(code: string): Promise<void> {
  await api.share.enter(code);
  await queryClient.invalidateQueries();
}

/** Signs this device out. */
export async function leave(): Promise<void> {
  await api.share.leave();
  await queryClient.invalidateQueries({ queryKey: ME });
}
