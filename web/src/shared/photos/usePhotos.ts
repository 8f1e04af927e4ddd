import { useQuery, useQueryClient } from '@tanstack/react-query';
import { nowMs } from '../clock/now';
import { api, ask, Failure, type Schemas } from '../api/client';

export type Photo = Schemas['Photo'];

/** Photos of a visit, and the two ways to get one. */
export function usePhotos(visit: string) {
  const queries = useQueryClient();
  const key = ['photos', visit];
  const list = useQuery({
    queryKey: key,
    queryFn: () => ask(api.GET('/api/visits/{visit}/photos', { params: { path: { visit } } })),
  });
  const refresh = () => queries.invalidateQueries({ queryKey: key });

  /** Sends a file as it is; the server opens it, strips it and writes it anew. */
  const send = async (file: File, view: Schemas['View']): Promise<Photo> => {
    const query = new URLSearchParams({
      id: crypto.randomUUID(),
      view,
      at_ms: String(nowMs()),
    });
    let answer: Response;
    try {
      answer = await fetch(`/api/visits/${visit}/photos?${query}`, {
        method: 'POST',
        headers: { 'content-type': file.type || 'application/octet-stream' },
        body: file,
      });
    } catch {
      throw new Failure(
        'offline',
        'Veliform does not answer. Choose the photo again when it is back.',
      );
    }
    const body: unknown = await answer.json();
    if (!answer.ok) {
      const error = body as Schemas['ErrorBody'];
      throw new Failure(error.kind, error.detail);
    }
    await refresh();
    return body as Photo;
  };

  const simulate = async (
    camera: Schemas['Camera'],
    is_finished = false,
  ): Promise<Schemas['SimulatedPhoto']> => {
    const taken = await ask(
      api.POST('/api/visits/{visit}/simulated-photos', {
        params: { path: { visit } },
        body: { id: crypto.randomUUID(), at_ms: nowMs(), camera, is_finished },
      }),
    );
    await refresh();
    return taken;
  };

  const takeOff = async (id: string): Promise<void> => {
    await ask(api.DELETE('/api/photos/{id}.jpg', { params: { path: { id } } }));
    await refresh();
  };

  return { photos: list.data ?? [], send, simulate, takeOff };
}
