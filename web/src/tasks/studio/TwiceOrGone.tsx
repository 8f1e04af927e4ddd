import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { type ReactNode, useState } from 'react';
import { useNavigate } from 'react-router';
import { api, ask, type Schemas } from '../../shared/api/client';
import { MarginHead, Plain, Said } from '../../shared/ui/controls';
import { dayText } from '../../shared/units/show';

type Dog = Schemas['Dog'];

const visitsText = (n: number) => `${n} ${n === 1 ? 'visit' : 'visits'}`;

/** A dog that was entered twice, and one that is to be forgotten: both are asked before they are done. */
export function TwiceOrGone({ dog }: { dog: Dog }) {
  const [asks, setAsks] = useState<'twice' | 'gone' | null>(null);
  const close = () => setAsks(null);
  return (
    <section aria-label="Entered twice, forgotten" className="md:col-span-2">
      <MarginHead>Entered twice, or to be forgotten</MarginHead>
      <div className="flex flex-wrap gap-3">
        <Plain onClick={() => setAsks('twice')}>It was entered twice</Plain>
        <Plain onClick={() => setAsks('gone')}>Forget it, as its owner wishes</Plain>
      </div>
      {asks === 'twice' && <Twice dog={dog} onClose={close} />}
      {asks === 'gone' && <Gone dog={dog} onClose={close} />}
    </section>
  );
}

function Asked(props: { title: string; onClose: () => void; children: ReactNode }) {
  return (
    <Dialog open onClose={props.onClose} className="relative z-20">
      <div className="fixed inset-0 flex items-center justify-center bg-page/80 p-4">
        <DialogPanel className="max-h-full w-[440px] max-w-full overflow-y-auto border-2 border-ink bg-sheet p-5">
          <DialogTitle className="pb-2 text-2xl font-bold">{props.title}</DialogTitle>
          {props.children}
          <div className="flex justify-end pt-4">
            <Plain onClick={props.onClose}>Not now</Plain>
          </div>
        </DialogPanel>
      </div>
    </Dialog>
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
                  label={`Take in the visits of ${card.dog.name}, ${card.dog.owner || 'no owner'}`}
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

/** Says what goes, offers to take it out as a file first. */
function Gone({ dog, onClose }: { dog: Dog; onClose: () => void }) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const all = useQuery({
    queryKey: ['dog', dog.id, 'belongings'],
    queryFn: () => ask(api.GET('/api/dogs/{id}/belongings', { params: { path: { id: dog.id } } })),
    staleTime: 0,
  });
  const forget = useMutation({
    mutationFn: () => ask(api.DELETE('/api/dogs/{id}', { params: { path: { id: dog.id } } })),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: ['dogs'] });
      void navigate('/');
    },
  });
  return (
    <Asked title={`Forget ${dog.name}`} onClose={onClose}>
      {all.data && (
        <p>
          Its card goes, with {visitsText(all.data.visits)}, {all.data.entries} things said at them,{' '}
          {all.data.plans} kept {all.data.plans === 1 ? 'plan' : 'plans'} and {all.data.photos}{' '}
          {all.data.photos === 1 ? 'photo' : 'photos'}. It cannot be brought back, unless from its
          file. Copies of the salon’s data made before still hold it.
        </p>
      )}
      <div className="flex flex-wrap gap-3 pt-3">
        <a
          href={`/api/dogs/${dog.id}/file`}
          download
          className="flex min-h-12 items-center border border-ink px-3"
        >
          Take it out as a file first
        </a>
        <Plain disabled={!all.data || forget.isPending} onClick={() => forget.mutate()}>
          Forget {dog.name} now
        </Plain>
      </div>
      {forget.error && <Said>{forget.error.message}</Said>}
    </Asked>
  );
}
