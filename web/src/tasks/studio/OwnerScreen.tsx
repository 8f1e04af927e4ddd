import { useChoices } from '../../shared/api/choices';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { api, ask, Failure, type Schemas, withTag } from '../../shared/api/client';
import { BigButton } from '../../shared/ui/BigControl';
import { Choice, MarginHead, Plain } from '../../shared/ui/controls';
import { NumberField } from '../../shared/ui/NumberField';
import { PageHead } from '../../shared/ui/PageHead';
import { FailedPage, LoadingPage } from '../../shared/ui/states';
import { TextField } from '../../shared/ui/TextField';
import { dayText } from '../../shared/units/show';
import { Gone } from './Gone';
import { Namesakes } from './Namesakes';
import { YES_NO, yesNo } from '../../shared/ui/yesNo';
import { NotKept } from './NotKept';

type Owner = Schemas['OwnerWithDogs'];

/** An owner's card: how they are reached, what they said once for all visits, all their dogs. */
export function OwnerScreen() {
  const { dog: id = '' } = useParams();
  const owner = useQuery({
    queryKey: ['dog', id, 'owner'],
    queryFn: () => readCard(id),
    staleTime: 0,
    refetchOnWindowFocus: false,
  });
  useEffect(() => {
    document.title = `${owner.data?.name || 'Owner'} · Veliform`;
  }, [owner.data]);
  if (owner.error instanceof Failure)
    return <FailedPage failure={owner.error} again={() => void owner.refetch()} />;
  if (!owner.data) return <LoadingPage />;
  return <Card id={id} known={owner.data} again={() => void owner.refetch()} />;
}

/** An owner with the version that this screen knows. */
type Known = Owner & { version: string };

async function readCard(id: string): Promise<Known> {
  const { answer, version } = await withTag(
    api.GET('/api/dogs/{id}/owner', { params: { path: { id } } }),
  );
  return { ...answer, version };
}

function Card({ id, known, again }: { id: string; known: Known; again: () => void }) {
  const navigate = useNavigate();
  const { hair_over_eyes } = useChoices();
  const queries = useQueryClient();
  const [typed, setTyped] = useState<Partial<Owner>>({});
  const [isForgetting, setForgetting] = useState(false);
  const at = { params: { path: { id } } };
  const owner = { ...known, ...typed };
  const change = (part: Partial<Owner>) => setTyped((t) => ({ ...t, ...part }));
  const say = (part: Partial<Schemas['AtHome']>) =>
    change({ at_home: { ...owner.at_home, ...part } });
  const put = useMutation({
    mutationFn: () =>
      ask(
        api.PUT('/api/dogs/{id}/owner', {
          params: { path: { id }, header: { 'If-Match': known.version } },
          body: { name: owner.name, reach: owner.reach, at_home: owner.at_home },
        }),
      ),
    onSuccess: async (kept) => {
      await queries.invalidateQueries({ queryKey: ['dogs'] });
      await queries.invalidateQueries({ queryKey: ['dog'] });
      // Somebody else is called so: whether they are one is asked here.
      const isAsked = kept.namesakes_dogs.length > known.namesakes_dogs.length;
      if (isAsked) again();
      else void navigate('/');
    },
  });
  const failure = put.error instanceof Failure ? put.error : null;
  const said = (field: string) => failure?.fields.find((p) => p.field === field)?.message;
  const { at_home: home } = owner;
  return (
    <div className="screen flex h-full flex-col">
      <PageHead>{known.name || 'Owner'}</PageHead>
      <main className="min-h-0 flex-1 overflow-y-auto">
        <form
          className="mx-auto grid max-w-4xl gap-x-10 gap-y-5 p-6 md:grid-cols-2"
          onSubmit={(e) => {
            e.preventDefault();
            put.mutate();
          }}
        >
          <TextField
            label="Name"
            value={owner.name}
            onChange={(name) => change({ name })}
            problem={said('dog.owner')}
          />
          <TextField
            label="How they are reached"
            value={owner.reach}
            onChange={(reach) => change({ reach })}
            problem={said('dog.reach')}
          />
          <NumberField
            name={`${id}.brushing`}
            label="Brushing they promise, minutes a week"
            aside="Holds where nobody asks at the talk."
            value={home.brushing_minutes_a_week ?? null}
            example="30"
            onNumber={(minutes) =>
              say({
                brushing_minutes_a_week: minutes === null ? null : Math.max(0, Math.round(minutes)),
              })
            }
            problem={said('owner.brushing')}
          />
          <Choice
            label="Hair over the eyes they bear"
            options={hair_over_eyes ?? []}
            value={home.hair_over_eyes ?? null}
            onChange={(hair_over_eyes) => say({ hair_over_eyes })}
          />
          <Choice
            label="Photos may be shown to others"
            options={YES_NO}
            columns={2}
            value={yesNo(home.photos_may_be_shown)}
            onChange={(v) => say({ photos_may_be_shown: v === 'yes' })}
          />
          <section aria-label="Their dogs" className="md:col-span-2">
            <MarginHead>{known.dogs.length === 1 ? 'Their dog' : 'Their dogs'}</MarginHead>
            <ul>
              {known.dogs.map((dog) => (
                <li key={dog.id}>
                  <Link
                    to={`/dog/${dog.id}`}
                    className="inline-flex min-h-12 items-center gap-3 font-bold text-chalk underline"
                  >
                    {dog.name}
                  </Link>{' '}
                  <span className="text-soft">
                    {dog.last_visit
                      ? `last here ${dayText(dog.last_visit.began_ms)}`
                      : 'no visit yet'}
                    {dog.is_put_away && ', put away'}
                  </span>
                </li>
              ))}
            </ul>
            <p className="text-sm text-soft">What stands here is saved with each of them.</p>
            <Namesakes id={id} owner={known} again={again} />
          </section>
          <NotKept
            failure={failure}
            onShow={() => {
              put.reset();
              again();
            }}
          />
          <div className="self-center">
            <Plain onClick={() => setForgetting(true)}>Forget them, as they wish</Plain>
          </div>
          {isForgetting && (
            <Gone
              who={known.name || 'the owner'}
              what={
                known.dogs.length === 1
                  ? `The card of ${known.dogs[0]?.name ?? 'the dog'} goes`
                  : `The cards of ${known.dogs.map((dog) => dog.name).join(' and ')} go`
              }
              dogs={known.dogs}
              belongings={() => ask(api.GET('/api/dogs/{id}/owner/belongings', at))}
              forget={() => ask(api.DELETE('/api/dogs/{id}/owner', at))}
              onClose={() => setForgetting(false)}
            />
          )}
          <div className="md:col-start-2 md:w-full md:max-w-[306px] md:justify-self-end">
            <BigButton type="submit" onClick={() => undefined} disabled={put.isPending}>
              Save the card
            </BigButton>
          </div>
        </form>
      </main>
    </div>
  );
}
