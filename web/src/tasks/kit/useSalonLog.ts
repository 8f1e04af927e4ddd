import { useQuery } from '@tanstack/react-query';
import { api, ask, type Schemas } from '../../shared/api/client';

/** What the salon's own log teaches; nothing while it is read. */
export function useSalonLog(): Schemas['SalonLog'] | null {
  const log = useQuery({
    queryKey: ['salon-log'],
    queryFn: () => ask(api.GET('/api/salon-log')),
    staleTime: 0,
  });
  return log.data ?? null;
}

/** Combs that would better most plans; none while they are tried. */
export function useWhatToBuy(): Schemas['Buy'][] {
  const buy = useQuery({
    queryKey: ['what-to-buy'],
    queryFn: () => ask(api.GET('/api/what-to-buy')),
    staleTime: 0,
  });
  return buy.data ?? [];
}
