import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { api, ask } from './client';
import type { paths } from './schema.gen';

/** The newest answer, and whether what is asked has changed since. */
export interface Asked<Answer> {
  answer: Answer | null;
  isAsking: boolean;
}

/** A question put to the core: a body goes, an answer comes, nothing is written. */
interface Post {
  post: {
    requestBody: { content: { 'application/json': unknown } };
    responses: { 200: { content: { 'application/json': unknown } } };
  };
}
type Question = { [P in keyof paths]: paths[P] extends Post ? P : never }[keyof paths];
type BodyOf<P extends Question> = Extract<
  paths[P],
  Post
>['post']['requestBody']['content']['application/json'];
type AnswerOf<P extends Question> = Extract<
  paths[P],
  Post
>['post']['responses'][200]['content']['application/json'];

/**
 * What the core answers to a question, asked again on every change of its body once nothing has
 * changed for a while; null until the first answer, and nothing is asked without a body.
 */
export function useCore<P extends Question>(
  question: P,
  body: BodyOf<P> | null,
  afterMs = 0,
): Asked<AnswerOf<P>> {
  return useAsked(question, body, afterMs, (asked, signal) =>
    // The path's own types are lost where the path is a parameter; they stand in this signature.
    ask(
      (api.POST as (path: P, init: object) => Promise<{ data?: AnswerOf<P>; response: Response }>)(
        question,
        { body: asked, signal },
      ),
    ),
  );
}

/**
 * The newest answer to a body by a way of asking of one's own. The last answer stays while the next
 * is on its way, and where none comes; a question that is stale is not waited for.
 */
export function useAsked<Body, Answer>(
  name: string,
  body: Body | null,
  afterMs: number,
  askFor: (body: Body, signal: AbortSignal) => Promise<Answer>,
): Asked<Answer> {
  const key = JSON.stringify(body);
  const due = useSettled(key, afterMs);
  const { data, isFetching } = useQuery({
    queryKey: ['core', name, due],
    queryFn: ({ signal }) => askFor(JSON.parse(due) as Body, signal),
    enabled: due !== NOTHING,
    // What the server holds may have changed when the same is asked again.
    gcTime: 0,
    retry: false,
    refetchOnWindowFocus: false,
  });
  const [last, setLast] = useState<Answer | null>(null);
  if (data !== undefined && data !== last) setLast(data);
  return { answer: data ?? last, isAsking: isFetching || due !== key };
}

/** No body: nothing is asked. */
const NOTHING = 'null';

/** A text once it has stood still for a while; at once where it need not. */
function useSettled(text: string, afterMs: number): string {
  const [settled, setSettled] = useState(afterMs === 0 ? text : NOTHING);
  useEffect(() => {
    if (afterMs === 0) return undefined;
    const timer = setTimeout(() => setSettled(text), afterMs);
    return () => clearTimeout(timer);
  }, [text, afterMs]);
  return afterMs === 0 ? text : settled;
}
