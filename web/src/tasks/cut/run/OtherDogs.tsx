import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { api, ask, type Schemas } from '../../../shared/api/client';
import { useVisitWork } from '../../../shared/visit/context';

/** Asked again after so long, ms: minutes at the dryer go by themselves. */
const AGAIN_MS = 30_000;
/** As many as were here last: who is here today is among them. */
const AT_ONCE = 24;
/** More than so many would crowd the keys. */
const MOST = 2;

/** The other dogs of today, where they are and a touch away: two are worked at once. */
export function OtherDogs() {
  const { visitId } = useVisitWork();
  const dogs = useQuery({
    queryKey: ['dogs', '', AT_ONCE],
    queryFn: () => ask(api.GET('/api/dogs', { params: { query: { find: '', most: AT_ONCE } } })),
    refetchInterval: AGAIN_MS,
  });
  const others = (dogs.data ?? []).filter((card) => isAtWork(card) && visitOf(card) !== visitId);
  if (others.length === 0) return null;
  return (
    <nav aria-label="Other dogs here" className="flex flex-wrap gap-2">
      {others.slice(0, MOST).map((card) => (
        <Link
          key={card.dog.id}
          to={`/visit/${visitOf(card)}/run`}
          className="flex min-h-12 items-center gap-2 border-l-8 border-tape bg-sheet px-3 text-base"
        >
          <b>{card.dog.name}</b> {card.here?.words}
        </Link>
      ))}
    </nav>
  );
}

type Card = Schemas['DogCard'];

const visitOf = (card: Card) => card.last_visit?.id ?? '';

/** Waiting dogs have no run to go to. */
function isAtWork(card: Card): boolean {
  return card.here != null && card.here.place !== 'waiting';
}
