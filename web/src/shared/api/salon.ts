import { useQuery } from '@tanstack/react-query';
import { api, ask, type Schemas } from './client';

/** The trade's words, as the core says them. */
export function useCatalogue() {
  return useQuery({
    queryKey: ['catalogue'],
    queryFn: () => ask(api.GET('/api/catalogue')),
    staleTime: Infinity,
  });
}

/** The salon's settings. */
export function useHouse() {
  return useQuery({ queryKey: ['house'], queryFn: () => ask(api.GET('/api/house')) });
}

/** The salon's blades and combs. */
export function useKit() {
  return useQuery({ queryKey: ['kit'], queryFn: () => ask(api.GET('/api/kit')) });
}

export type House = Schemas['House'];
export type Tool = Schemas['Tool'];
