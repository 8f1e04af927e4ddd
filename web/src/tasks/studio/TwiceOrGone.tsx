import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask, type Schemas } from '../../shared/api/client';
import { MarginHead, Plain, Said } from '../../shared/ui/controls';
import { dayText } from '../../shared/units/show';
import { Asked } from './Asked';
import { Gone } from './Gone';
import { visitsText } from './words';

type Dog = Schemas['Dog'];

/** A dog that was entered twice, and one that is to be forgotten: both are asked before they are done. */
export function TwiceOrGone({ dog }: { dog: Dog }) {
  const [asks, setAsks] = useState<'twice' | 'gone' | null>(null);
  const close = () => setAsks(null);
  const at = { params: { path: { id: dog.id } } };
  return (
    <section aria-label="Entered twice, forgotten" className="md:col-span-2">
      <MarginHead>Entered twice, or to be forgotten</MarginHead>
      <div className="flex flex-wrap gap-3">
        <Plain onClick={() => setAsks('twice')}>It was entered twice</Plain>
        <Plain onClick={() => setAsks('gone')}>Forget it, as its owner wishes</Plain>
      </div>
      {asks === 'twice' && <Twice dog={dog} onClose={close} />}
      {asks === 'gone' && (
        <Gone
          who={dog.name}
          what="Its card goes"
          dogs={[dog]}
          belongings={() => ask(api.GET('/api/dogs/{id}/belongings', at))}
          forget={() => ask(api.DELETE('/api/dogs/{id}', at))}
          onClose={close}
        />
      )}
    </section>
  );
}

/** Dogs of about the same name: the visits of the one chosen become this one's. */
function Twice({ dog, onClose }: { dog: Dog; onClose: () => void }) {
  const queries = useQueryClient();
  const alike = useQuery({
    queryKey: ['dogs', dog.name, 'alike'],
    queryFn: () => ask(api.GET('/api/dogs', { params: { query: { find: dog.name, most: 12 } } })),
    staleTime: 0,
  });
  const merge = useMutation({
    mutationFn: (other: string) =>
      ask(api.POST('/api/dogs/{id}/merge', { params: { path: { id: dog.id } }, body: { other } })),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: ['dogs'] });
      await queries.invalidateQueries({ queryKey: ['dog', dog.id] });
    },
  });
  const others = alike.data?.filter((card) => card.dog.id !== dog.id) ?? [];
  return (
    <Asked title={`${dog.name}, entered twice`} onClose={onClose}>
      {merge.data ? (
        <p role="status">
          {visitsText(merge.data.visits)} came to this card.
          {merge.data.same_day_ms.length > 0 &&
            ` Both were here on ${merge.data.same_day_ms.map(dayText).join(', ')}: both visits stay.`}
        </p>
      ) : (
        <>
          <p>
            Its visits come to this card; this card’s name, owner and note stay, the other card
            goes.
          </p>
          {alike.data && others.length === 0 && (
            <p className="pt-2">No other dog is called so, or nearly so.</p>
          )}
          <ul className="pt-2">
            {others.map((card) => (
              <li key={card.dog.id} className="flex items-center gap-3 border-t border-line py-1">
                <span className="flex-1">
                  <b>{card.dog.name}</b>
                  {card.dog.owner && `, ${card.dog.owner}`}
                  <span className="block text-sm text-soft">
                    {card.last_visit
                      ? `last here ${dayText(card.last_visit.began_ms)}`
                      : 'no visit yet'}
                  </span>
                </span>
                <Plain
                  label={`It is this one: ${card.dog.name}, ${card.dog.owner || 'no owner'}`}
                  disabled={merge.isPending}
                  onClick={() => merge.mutate(card.dog.id)}
                >
                  It is this one
                </Plain>
              </li>
            ))}
          </ul>
        </>
      )}
      {merge.error && <Said>{merge.error.message}</Said>}
    </Asked>
  );
}
