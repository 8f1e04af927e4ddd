import { useMutation } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { useNavigate } from 'react-router';
import { nowMs } from '../../shared/clock/now';
import { api, ask, Failure, type Schemas } from '../../shared/api/client';
import { useCatalogue } from '../../shared/api/salon';
import { keepText, readText } from '../../shared/devices/storage';
import { BigButton } from '../../shared/ui/BigControl';
import { Choice, Said } from '../../shared/ui/controls';
import { TextField } from '../../shared/ui/TextField';
import { COATS, COLOURS, SEXES } from './words';
import { numberOf } from '../../shared/ui/NumberField';
import { PageHead } from '../../shared/ui/PageHead';

type Dog = Schemas['Dog'];

const SIZES: { value: NonNullable<Dog['size']>; label: string }[] = [
  { value: 'toy', label: 'Toy' },
  { value: 'small', label: 'Small' },
  { value: 'medium', label: 'Medium' },
  { value: 'large', label: 'Large' },
];
const DRAFT = 'veliform.new-dog';

interface Draft {
  id: string;
  name: string;
  owner: string;
  years: string;
  handling: string;
  sex: NonNullable<Dog['sex']>;
  size: NonNullable<Dog['size']>;
  build: NonNullable<Dog['build']>;
  texture: NonNullable<Dog['texture']>;
  colour: NonNullable<Dog['colour']> | null;
  has_double_coat: boolean;
}

function readDraft(): Draft {
  const fresh: Draft = {
    id: crypto.randomUUID(),
    name: '',
    owner: '',
    years: '',
    handling: '',
    sex: 'unknown',
    size: 'medium',
    build: 'ordinary',
    texture: 'curl',
    colour: null,
    has_double_coat: false,
  };
  try {
    return { ...fresh, ...(JSON.parse(readText(localStorage, DRAFT) ?? '{}') as Partial<Draft>) };
  } catch {
    return fresh;
  }
}

/** A new dog: a name is enough; size by one tap. */
export function NewDogScreen() {
  const [draft, setDraft] = useState(readDraft);
  const words = useCatalogue();
  const navigate = useNavigate();
  useEffect(() => {
    document.title = 'New dog · Veliform';
  }, []);
  useEffect(() => keepText(localStorage, DRAFT, JSON.stringify(draft)), [draft]);
  const change = (part: Partial<Draft>) => setDraft((d) => ({ ...d, ...part }));

  const put = useMutation({
    mutationFn: async () => {
      const years = numberOf(draft.years);
      if (years === undefined || (years !== null && years < 0))
        throw new Failure('invalid_input', 'The age is no number.', [
          {
            field: 'dog.age_months',
            message: `“${draft.years}” is no age; type years such as 3 or 0.5, or leave it empty.`,
            severity: 'refused',
          },
        ]);
      const dog: Dog = {
        id: draft.id,
        name: draft.name.trim(),
        owner: draft.owner.trim(),
        sex: draft.sex,
        age_months: years === null ? null : Math.round(years * 12),
        size: draft.size,
        texture: draft.texture,
        colour: draft.colour,
        has_double_coat: draft.has_double_coat,
        build: draft.build,
        handling: draft.handling.trim(),
      };
      const kept = await ask(
        api.PUT('/api/dogs/{id}', { params: { path: { id: dog.id } }, body: dog }),
      );
      return ask(
        api.PUT('/api/visits/{id}', {
          params: { path: { id: crypto.randomUUID() } },
          body: { dog: kept.id, began_ms: nowMs() },
        }),
      );
    },
    onSuccess: (visit) => {
      keepText(localStorage, DRAFT, null);
      void navigate(`/visit/${visit.id}/talk`);
    },
  });
  const problems = put.error instanceof Failure ? put.error.fields : [];
  const said = (field: string) => problems.find((p) => p.field === field)?.message;
  const general = put.error && problems.length === 0 ? put.error.message : null;
  return (
    <div className="screen flex h-full flex-col">
      <PageHead>New dog</PageHead>
      <main className="min-h-0 flex-1 overflow-y-auto">
        <form
          className="mx-auto grid max-w-4xl gap-x-10 gap-y-3 px-6 py-4 md:grid-cols-2"
          onSubmit={(e) => {
            e.preventDefault();
            put.mutate();
          }}
        >
          <TextField
            label="Name"
            value={draft.name}
            onChange={(name) => change({ name })}
            problem={said('dog.name')}
            isFirst
          />
          <TextField
            label="Owner"
            value={draft.owner}
            onChange={(owner) => change({ owner })}
            problem={said('dog.owner')}
          />
          <div className="md:col-span-2">
            <Size value={draft.size} onChange={(size) => change({ size })} />
          </div>
          <Choice
            label="Build it is nearest to"
            options={(words.data?.builds ?? []).map((b) => ({
              value: b.build,
              label: b.label,
            }))}
            value={draft.build}
            onChange={(build) => change({ build })}
          />
          <Choice
            label="Coat"
            options={(words.data?.textures ?? []).map((t) => ({
              value: t.texture,
              label: t.label,
            }))}
            value={draft.texture}
            onChange={(texture) => change({ texture })}
          />
          <Choice
            label="Sex"
            options={SEXES}
            value={draft.sex}
            onChange={(sex) => change({ sex })}
          />
          <Choice
            label="Hair"
            options={COLOURS}
            value={draft.colour}
            onChange={(colour) => change({ colour })}
          />
          <Choice
            label="Undercoat"
            columns={2}
            options={COATS}
            value={draft.has_double_coat ? 'double' : 'single'}
            onChange={(coat) => change({ has_double_coat: coat === 'double' })}
          />
          <TextField
            label="Age, years"
            value={draft.years}
            onChange={(years) => change({ years })}
            problem={said('dog.age_months')}
          />
          <div className="md:col-span-2">
            <TextField
              label="What a colleague must know"
              value={draft.handling}
              onChange={(handling) => change({ handling })}
              problem={said('dog.handling')}
            />
          </div>
          {general && <Said>{general}</Said>}
          <div className="md:col-start-2 md:max-w-[306px] md:justify-self-end md:w-full">
            <BigButton type="submit" onClick={() => undefined} disabled={put.isPending}>
              Talk
            </BigButton>
          </div>
        </form>
      </main>
    </div>
  );
}

function Size(props: {
  value: NonNullable<Dog['size']>;
  onChange: (size: NonNullable<Dog['size']>) => void;
}) {
  return (
    <Choice
      label="Size"
      options={SIZES}
      value={props.value}
      onChange={props.onChange}
      columns={4}
    />
  );
}
