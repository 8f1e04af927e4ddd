import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
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

/** Types the salon made from its own measured dogs. */
export function useOwnTypes() {
  return useQuery({ queryKey: ['own-types'], queryFn: () => ask(api.GET('/api/own-types')) });
}

/** What a dog's earlier visits tell this one. */
export function usePast(visit: string) {
  return useQuery({
    queryKey: ['past', visit],
    queryFn: () => ask(api.GET('/api/visits/{id}/past', { params: { path: { id: visit } } })),
    staleTime: Infinity,
  });
}

export type House = Schemas['House'];
export type Tool = Schemas['Tool'];

/** Keeps the salon's settings. */
export function usePutHouse() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (next: House) => ask(api.PUT('/api/house', { body: next })),
    onSuccess: (kept) => queries.setQueryData(['house'], kept),
  });
}

/** Blades beneath a comb, by their number. */
export const UNDER: { value: Schemas['UnderComb']; label: string }[] = [
  { value: 'forty', label: '40' },
  { value: 'thirty', label: '30' },
  { value: 'ten', label: '10' },
];
