import { useQuery } from '@tanstack/react-query';
import { request } from '../api/client.ts';

const EVERY_MS = 10_000;
const WHEN_AWAY_MS = 2_000;

/** Whether the server answers, asked now and then and more often while it does not. */
export function useOnline(): boolean {
  const { isError } = useQuery({
    queryKey: ['health'],
    queryFn: () => request('GET', '/health'),
    refetchInterval: (query) => (query.state.status === 'error' ? WHEN_AWAY_MS : EVERY_MS),
    retry: false,
    networkMode: 'always',
  });
  return !isError;
}
