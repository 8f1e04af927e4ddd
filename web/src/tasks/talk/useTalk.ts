import type { Schemas } from '../../shared/api/client';
import { useRecord } from '../../shared/visit/useRecord';
import { useVisitWork } from '../../shared/visit/context';

export type Talk = Schemas['Talk'];

const NOTHING: Talk = {
  body: null,
  legs: null,
  face: null,
  ears: null,
  tail: null,
  brushing_minutes_a_week: null,
  weeks_to_next: null,
  was_too_short: [],
  was_too_long: [],
  words: '',
};

/** What was said in the talk, and how a part of it is said. */
export interface TalkSaid {
  talk: Talk;
  put: (part: Partial<Talk>) => void;
}

/**
 * What was said in the talk. Asked once for the whole screen and handed down: two answers in quick
 * succession both count only where one record knows of both.
 */
export function useTalk(): TalkSaid {
  const work = useVisitWork();
  const talk: Talk = { ...NOTHING, ...work.evaluation.visit.talk };
  const put = useRecord(talk, (whole) => work.say({ kind: 'talk_set', talk: whole }));
  return { talk, put };
}
