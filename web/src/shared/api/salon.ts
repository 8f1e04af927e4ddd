import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { setClock } from '../clock/now';
import { keep, kept } from '../offline/kept';
import { api, ask, Failure, type Schemas, withTag } from './client';

/** The trade's words, as the core says them. */
export function useCatalogue() {
  return useQuery({
    queryKey: ['catalogue'],
    queryFn: () => ask(api.GET('/api/catalogue')),
    staleTime: Infinity,
  });
}

/** Dogs shown at once: those that were here last. */
export const DOGS_AT_ONCE = 24;
/** Where the dogs of today are goes on by itself: asked again after so long, ms. */
const DOGS_AGAIN_MS = 30_000;

let isTimeTold = false;
/** The salon's clock, asked once: what this screen says is so many days ago is told by it. */
async function tellTime(): Promise<void> {
  if (isTimeTold) return;
  setClock((await ask(api.GET('/api/health'))).now_ms);
  isTimeTold = true;
}

/** With the server away those of the rail as they stood when it last answered. */
async function readDogs(find: string, most: number): Promise<Schemas['DogCard'][]> {
  try {
    await tellTime();
    const dogs = await ask(api.GET('/api/dogs', { params: { query: { find, most } } }));
    if (find === '') void keep('dogs', dogs);
    return dogs;
  } catch (error) {
    const isAway = error instanceof Failure && error.kind === 'offline';
    const there = isAway ? await kept<Schemas['DogCard'][]>('dogs') : null;
    if (!there) throw error;
    return there.filter((card) => card.dog.name.toLowerCase().includes(find.trim().toLowerCase()));
  }
}

/** The salon's dogs that answer to a name, those that were here last first. */
export function useDogs(find: string, most: number) {
  return useQuery({
    queryKey: ['dogs', find, most],
    queryFn: () => readDogs(find, most),
    placeholderData: keepPreviousData,
    refetchInterval: DOGS_AGAIN_MS,
  });
}

/** The salon's settings. */
export function useHouse() {
  return useQuery({ queryKey: ['house'], queryFn: () => withVersion(api.GET('/api/house')) });
}

/** The version of the settings that this screen knows: what it changes is a change of that one. */
let version = '';

async function withVersion(
  request: Promise<{ data?: House; error?: unknown; response: Response }>,
) {
  const kept = await withTag(request);
  ({ version } = kept);
  return kept.answer;
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
    queryFn: async () => {
      const question = api.GET('/api/visits/{id}/past', { params: { path: { id: visit } } });
      try {
        return await ask(question);
      } catch (error) {
        // Begun here with the server away: told as it stood then.
        const here = await kept<Schemas['Past']>(`past.${visit}`);
        if (!here) throw error;
        return here;
      }
    },
    staleTime: Infinity,
  });
}

export type House = Schemas['House'];
export type Tool = Schemas['Tool'];

/** Keeps the salon's settings. */
export function usePutHouse() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (next: House) =>
      withVersion(
        api.PUT('/api/house', { body: next, params: { header: { 'If-Match': version } } }),
      ),
    // Shown at once, so that the next change of this screen is made on top of it.
    onMutate: (next) => queries.setQueryData(['house'], next),
    onSuccess: (kept) => queries.setQueryData(['house'], kept),
    // Not kept, or changed meanwhile: shown as they stand, and the sentence beside them.
    onError: () => queries.invalidateQueries({ queryKey: ['house'] }),
    // One change after the other, so that two quick ones of this screen are not in each other's way.
    scope: { id: 'house' },
  });
}
