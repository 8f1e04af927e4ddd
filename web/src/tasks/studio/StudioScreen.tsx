import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { api, ask, AS_IT_IS, Failure, type Schemas } from '../../shared/api/client';
import { DOGS_AT_ONCE, useDogs, useHouse } from '../../shared/api/salon';
import { keepAhead, tellOfAllBegun } from '../../shared/offline/begun';
import { BigLink } from '../../shared/ui/BigControl';
import { BringFile } from '../../shared/ui/BringFile';
import { Plain } from '../../shared/ui/controls';
import { FailedPage, LoadingPage } from '../../shared/ui/states';
import { BeforeTheDay } from './BeforeTheDay';
import { DogOnTheRail } from './DogOnTheRail';

/** Where dogs of today stand, in the order they are worked. */
const PLACES: (NonNullable<Schemas['DogCard']['here']>['place'] | undefined)[] = [
  'table',
  'tub',
  'drying',
  'resting',
  'waiting',
  'ready',
];

/** Dogs are kept for a server that is away once this screen has stood so long, ms. */
const AHEAD_MS = 1500;

/** The studio: its dogs, standing on the rail at one scale. */
export function StudioScreen() {
  const [find, setFind] = useState('');
  const [most, setMost] = useState(DOGS_AT_ONCE);
  const dogs = useDogs(find, most);
  const house = useHouse();
  useEffect(() => {
    document.title = 'All dogs · Veliform';
  }, []);
  const { data: cards, refetch } = dogs;
  useEffect(() => {
    let isLeft = false;
    const catchUp = async () => {
      if (await tellOfAllBegun()) await refetch();
      await keepAhead(cards ?? [], () => isLeft);
    };
    // Away still: it is tried again with the next list.
    const later = setTimeout(() => void catchUp().catch(() => undefined), AHEAD_MS);
    return () => {
      isLeft = true;
      clearTimeout(later);
    };
  }, [cards, refetch]);
  if (dogs.error instanceof Failure)
    return <FailedPage failure={dogs.error} again={() => void dogs.refetch()} />;
  if (!dogs.data) return <LoadingPage />;
  const here = dogs.data
    .filter((card) => card.here)
    .sort((a, b) => PLACES.indexOf(a.here?.place) - PLACES.indexOf(b.here?.place));
  const others = dogs.data.filter((card) => !card.here);
  return (
    <div className="screen flex h-full flex-col">
      <header className="flex min-h-14 shrink-0 items-stretch max-[800px]:flex-wrap">
        <h1 className="flex min-h-14 w-80 max-w-[40%] items-center bg-tape pl-5 text-lg font-bold text-on-tape">
          <span className="truncate">{house.data?.name ?? 'Veliform'}</span>
        </h1>
        <div className="w-1.5 bg-ink" />
        <nav
          aria-label="Salon"
          className="flex flex-1 flex-wrap items-stretch justify-end gap-2 border-b border-line pr-5"
        >
          <label className="flex items-center gap-2">
            <span className="text-sm text-soft">Find</span>
            <input
              type="search"
              className="h-12 w-56 max-w-[50vw] border border-ink bg-sheet px-2"
              value={find}
              maxLength={60}
              placeholder="dog or owner"
              onChange={(e) => {
                setFind(e.target.value);
                setMost(DOGS_AT_ONCE);
              }}
            />
          </label>
          <Link to="/kit" className="flex min-w-16 items-center justify-center px-3">
            Kit
          </Link>
          <Link to="/about" className="flex min-w-16 items-center justify-center px-3">
            About
          </Link>
        </nav>
      </header>
      <main className="min-h-0 flex-1 overflow-y-auto px-5">
        {dogs.data.length === 0 ? (
          <p className="py-24 text-center text-2xl">
            {find.trim() === ''
              ? 'The table is empty. Put the first dog on it.'
              : `No dog or owner is called “${find.trim()}”. Shorten it, or put a new dog on.`}
          </p>
        ) : (
          <>
            {here.length > 0 && (
              <>
                <h2 className="pt-3 text-lg font-bold">Here now</h2>
                <ul className="rail flex flex-wrap items-end">
                  {here.map((card) => (
                    <DogOnTheRail key={card.dog.id} card={card} />
                  ))}
                </ul>
                {others.length > 0 && <h2 className="pt-5 text-lg font-bold">All the others</h2>}
              </>
            )}
            <ul className="rail flex flex-wrap items-end">
              {others.map((card) => (
                <DogOnTheRail key={card.dog.id} card={card} />
              ))}
            </ul>
            {dogs.data.length === most && (
              <div className="py-4">
                <Plain onClick={() => setMost(most + DOGS_AT_ONCE)}>Dogs seen before these</Plain>
              </div>
            )}
          </>
        )}
      </main>
      <BeforeTheDay />
      <footer className="flex flex-wrap items-center justify-between gap-x-6 gap-y-2 px-5 py-3">
        <ImportDog />
        <div className="w-[306px] max-w-full">
          <BigLink to="/dog/new">New dog</BigLink>
        </div>
      </footer>
    </div>
  );
}

function ImportDog() {
  const queries = useQueryClient();
  const bring = async (text: string) => {
    const dog = await ask(api.POST('/api/dogs/import', { body: text, ...AS_IT_IS }));
    await queries.invalidateQueries({ queryKey: ['dogs'] });
    return `${dog.name} is here, ${dog.visits} ${dog.visits === 1 ? 'visit' : 'visits'}.`;
  };
  return <BringFile label="Bring in a dog file" kind="Dog file" bring={bring} />;
}
