import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, ask } from '../../shared/api/client';
import { Plain } from '../../shared/ui/controls';

/** Lines of a kind shown before the day; the rest stands with the kit, or comes as the first are done. */
const MOST_DUE = 3;

/** Before the day: the dogs that are due, and what the kit asks for. */
export function BeforeTheDay() {
  const dogs = useQuery({
    queryKey: ['dogs', 'due'],
    queryFn: () => ask(api.GET('/api/due-dogs')),
    staleTime: 0,
  });
  const work = useQuery({
    queryKey: ['due'],
    queryFn: () => ask(api.GET('/api/due')),
    staleTime: 0,
  });
  const [isWhole, setWhole] = useState(false);
  const due = dogs.data ?? [];
  const todo = work.data ?? [];
  if (due.length + todo.length === 0) return null;
  const more = todo.length - MOST_DUE;
  return (
    <div className="border-t border-line px-5 pt-1">
      {due.length > 0 && (
        <section aria-label="Dogs due" className="flex flex-wrap items-center gap-x-6">
          <h2 className="font-bold">Dogs due</h2>
          <ul className="flex max-h-[40vh] flex-wrap gap-x-6 overflow-y-auto">
            {(isWhole ? due : due.slice(0, MOST_DUE)).map((dog) => (
              <li key={dog.dog}>
                <Link to={`/dog/${dog.dog}`} className="flex min-h-11 items-center">
                  <span>
                    <span className="font-bold underline">{dog.name}</span> {dog.words}
                  </span>
                </Link>
              </li>
            ))}
          </ul>
          {due.length > MOST_DUE && !isWhole && (
            <Plain onClick={() => setWhole(true)}>{due.length - MOST_DUE} more dogs due</Plain>
          )}
        </section>
      )}
      {todo.length > 0 && (
        <section aria-label="Before the day" className="flex flex-wrap items-center gap-x-6 py-1">
          <h2 className="font-bold">Before the day</h2>
          <ul className="flex flex-wrap gap-x-6">
            {todo.slice(0, MOST_DUE).map(({ tool, sentence }) => (
              <li key={tool + sentence}>{sentence}</li>
            ))}
          </ul>
          {more > 0 && (
            <Link to="/kit" className="flex min-h-12 items-center underline">
              {more} more in the kit
            </Link>
          )}
        </section>
      )}
    </div>
  );
}
