import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { api, ask, Failure, type Schemas, withTag } from '../../shared/api/client';
import { useCatalogue } from '../../shared/api/salon';
import { EarTail } from '../../shared/dog/EarTail';
import { BigButton } from '../../shared/ui/BigControl';
import { Choice, Plain } from '../../shared/ui/controls';
import { FailedPage, LoadingPage } from '../../shared/ui/states';
import { TextField } from '../../shared/ui/TextField';
import { PageHead } from '../../shared/ui/PageHead';
import { dayText } from '../../shared/units/show';
import { TwiceOrGone } from './TwiceOrGone';
import { YES_NO, yesNo } from '../../shared/ui/yesNo';
import { COATS } from './words';
import { NotKept } from './NotKept';

type Dog = Schemas['Dog'];
/** A dog with the version that this screen knows: what it changes is a change of that one. */
interface Known {
  dog: Dog;
  visits: Schemas['VisitCard'][];
  version: string;
}

/** A dog's card: what was typed at the door, corrected. */
export function DogCardScreen() {
  const { dog: id = '' } = useParams();
  const words = useCatalogue();
  const known = useQuery({
    queryKey: ['dog', id, 'card'],
    queryFn: () => readCard(id),
    staleTime: 0,
    refetchOnWindowFocus: false,
  });
  useEffect(() => {
    document.title = `${known.data?.dog.name ?? 'Dog'} · Veliform`;
  }, [known.data]);
  if (known.error instanceof Failure)
    return <FailedPage failure={known.error} again={() => void known.refetch()} />;
  if (!known.data || !words.data) return <LoadingPage />;
  return <Card known={known.data} words={words.data} again={() => void known.refetch()} />;
}

async function readCard(id: string): Promise<Known> {
  const { answer, version } = await withTag(
    api.GET('/api/dogs/{id}', { params: { path: { id } } }),
  );
  return { ...answer, version };
}

function Card(props: { known: Known; words: Schemas['Catalogue']; again: () => void }) {
  const { known, words, again } = props;
  // Only what was typed here: where another screen corrected the rest, its words show and these stay.
  const [typed, setTyped] = useState<Partial<Dog>>({});
  const dog = { ...known.dog, ...typed };
  const born = dog.born ?? '';
  const navigate = useNavigate();
  const queries = useQueryClient();
  const change = (part: Partial<Dog>) => setTyped((t) => ({ ...t, ...part }));
  const put = useMutation({
    mutationFn: (next: Dog) =>
      ask(
        api.PUT('/api/dogs/{id}', {
          params: { path: { id: dog.id }, header: { 'If-Match': known.version } },
          body: next,
        }),
      ),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: ['dogs'] });
      await queries.invalidateQueries({ queryKey: ['dog', dog.id] });
      void navigate('/');
    },
  });
  const failure = put.error instanceof Failure ? put.error : null;
  const said = (field: string) => failure?.fields.find((p) => p.field === field)?.message;
  const keep = (part: Partial<Dog>) =>
    put.mutate({
      ...dog,
      name: dog.name.trim(),
      owner: dog.owner?.trim() ?? '',
      reach: dog.reach?.trim() ?? '',
      handling: dog.handling?.trim() ?? '',
      born: born.trim() === '' ? null : born.trim(),
      ...part,
    });
  return (
    <div className="screen flex h-full flex-col">
      <PageHead>{known.dog.name}</PageHead>
      <main className="min-h-0 flex-1 overflow-y-auto">
        <form
          className="mx-auto grid max-w-4xl gap-x-10 gap-y-5 p-6 md:grid-cols-2"
          onSubmit={(e) => {
            e.preventDefault();
            keep({});
          }}
        >
          <TextField
            label="Name"
            value={dog.name}
            onChange={(name) => change({ name })}
            problem={said('dog.name')}
          />
          <TextField
            label="Born, year and month"
            value={born}
            onChange={(text) => change({ born: text })}
            hint={ageText(known.dog)}
            problem={said('dog.born')}
          />
          <TextField
            label="Owner"
            value={dog.owner ?? ''}
            onChange={(owner) => change({ owner })}
            problem={said('dog.owner')}
          />
          <TextField
            label="How the owner is reached"
            value={dog.reach ?? ''}
            onChange={(reach) => change({ reach })}
            problem={said('dog.reach')}
          />
          <Choice
            label="Sex"
            options={words.choices.sexes}
            value={dog.sex ?? 'unknown'}
            onChange={(sex) => change({ sex })}
          />
          <Choice
            label="Neutered"
            columns={2}
            options={YES_NO}
            value={yesNo(dog.is_neutered)}
            onChange={(is) => change({ is_neutered: is === 'yes' })}
          />
          <Choice
            label="Hair"
            options={words.choices.colours}
            value={dog.colour ?? null}
            onChange={(colour) => change({ colour })}
          />
          <Choice
            label="Undercoat"
            columns={2}
            options={COATS}
            value={dog.has_double_coat === true ? 'double' : 'single'}
            onChange={(coat) => change({ has_double_coat: coat === 'double' })}
          />
          <EarTail
            words={words}
            ear={dog.ear ?? null}
            tail={dog.tail ?? null}
            onEar={(ear) => change({ ear })}
            onTail={(tail) => change({ tail })}
          />
          <TextField
            label="What a colleague must know"
            value={dog.handling ?? ''}
            onChange={(handling) => change({ handling })}
            problem={said('dog.handling')}
          />
          <p className="text-sm text-soft md:col-span-2">
            Build and coat are said with a hand on the dog, at a visit, as are ears and tail where
            they differ from what stands here; they come along to the next.
            {known.visits[0] && ` Last visit: ${dayText(known.visits[0].began_ms)}.`}
          </p>
          <p className="flex flex-wrap gap-x-8 md:col-span-2">
            <Link
              to={`/dog/${dog.id}/life`}
              className="flex min-h-12 items-center font-bold text-chalk underline"
            >
              The life of {known.dog.name} on one page
            </Link>
            <Link
              to={`/dog/${dog.id}/owner`}
              className="flex min-h-12 items-center font-bold text-chalk underline"
            >
              Its owner’s card
            </Link>
          </p>
          <NotKept
            failure={failure}
            onShow={() => {
              put.reset();
              again();
            }}
          />
          <div className="self-center">
            <Plain
              disabled={put.isPending}
              onClick={() => keep({ is_put_away: !known.dog.is_put_away })}
            >
              {known.dog.is_put_away
                ? 'Put it back on the rail'
                : 'Put it away: it died, or left us'}
            </Plain>
            <p className="text-sm text-soft">
              {known.dog.is_put_away
                ? 'It is away: found by its name, not on the rail.'
                : 'Nothing is lost; it is still found by its name.'}
            </p>
          </div>
          <div className="md:w-full md:max-w-[306px] md:justify-self-end">
            <BigButton type="submit" onClick={() => undefined} disabled={put.isPending}>
              Save the card
            </BigButton>
          </div>
          <TwiceOrGone dog={known.dog} />
        </form>
      </main>
    </div>
  );
}

/** What is known of its age, beside the month it was born in. */
function ageText({ age_months: months, born }: Dog): string {
  if (months == null)
    return 'Such as 2021-05. Cautions and the shortest safe length follow the age.';
  const age = months < 24 ? `${months} months` : `${Math.floor(months / 12)} years`;
  return born ? `${age} old today.` : `${age} old when it was entered. Such as 2021-05.`;
}
