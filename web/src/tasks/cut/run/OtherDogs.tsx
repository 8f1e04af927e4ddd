import { Link } from 'react-router';
import type { Schemas } from '../../../shared/api/client';
import { DOGS_AT_ONCE, useDogs } from '../../../shared/api/salon';
import { useVisitWork } from '../../../shared/visit/context';

/** More than so many would crowd the keys. */
const MOST = 2;

/** The other dogs of today, where they are and a touch away: two are worked at once. */
export function OtherDogs() {
  const { visitId } = useVisitWork();
  const dogs = useDogs('', DOGS_AT_ONCE);
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
