import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { nowMs } from '../../shared/clock/now';
import { api, ask, Failure } from '../../shared/api/client';
import { Disclosed } from '../../shared/ui/Disclosed';
import { Plain, Said } from '../../shared/ui/controls';
import { useVisitWork } from '../../shared/visit/context';

/** Dogs a type is chosen from: those that were here last. */
const MOST = 200;

/** A type of the salon's own, from its measured dogs. */
export function OwnTypeMaker() {
  const work = useVisitWork();
  const queries = useQueryClient();
  const dogs = useQuery({
    queryKey: ['dogs', '', MOST],
    queryFn: () => ask(api.GET('/api/dogs', { params: { query: { most: MOST } } })),
  });
  const [name, setName] = useState('');
  const [chosen, setChosen] = useState<string[]>([]);
  const [said, setSaid] = useState<{ text: string; isWrong: boolean } | null>(null);
  const make = () => {
    ask(
      api.POST('/api/own-types', {
        body: {
          id: crypto.randomUUID(),
          name,
          base: work.evaluation.visit.frame.build,
          dogs: chosen,
          at_ms: nowMs(),
        },
      }),
    ).then(
      (made) => {
        void queries.invalidateQueries({ queryKey: ['own-types'] });
        setSaid({
          text: `${made.name} is saved: ${Object.keys(made.shares).length} proportions. Choose it under Frame, All.`,
          isWrong: false,
        });
        setName('');
        setChosen([]);
      },
      (error: unknown) => {
        if (error instanceof Failure) setSaid({ text: error.message, isWrong: true });
      },
    );
  };
  return (
    <Disclosed says="Make a type of our own">
      <p className="text-sm text-soft">
        Its usual proportions come from the dogs you choose; each measure needs three of them.
      </p>
      <label className="block py-1">
        <span className="font-bold">Name</span>
        <input
          className="mt-1 h-12 w-full border border-ink bg-sheet px-2"
          value={name}
          onChange={(e) => setName(e.target.value)}
        />
      </label>
      <fieldset>
        <legend className="font-bold">Dogs</legend>
        {dogs.data?.map(({ dog }) => (
          <label key={dog.id} className="flex min-h-12 items-center gap-3">
            <input
              type="checkbox"
              className="size-10 shrink-0"
              checked={chosen.includes(dog.id)}
              onChange={(e) =>
                setChosen((now) =>
                  e.target.checked ? [...now, dog.id] : now.filter((d) => d !== dog.id),
                )
              }
            />
            {dog.name}
          </label>
        ))}
      </fieldset>
      <Plain onClick={make}>Make the type</Plain>
      <Answer said={said} />
    </Disclosed>
  );
}

function Answer({ said }: { said: { text: string; isWrong: boolean } | null }) {
  if (!said) return null;
  return said.isWrong ? <Said>{said.text}</Said> : <p role="status">{said.text}</p>;
}
