import { useMutation } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { useNavigate } from 'react-router';
import { nowMs } from '../../shared/clock/now';
import { api, ask, Failure, type Schemas } from '../../shared/api/client';
import { useCatalogue, useHouse } from '../../shared/api/salon';
import { EarTail } from '../../shared/dog/EarTail';
import { BigButton } from '../../shared/ui/BigControl';
import { Choice, Said } from '../../shared/ui/controls';
import { LengthField } from '../../shared/ui/LengthField';
import { TextField } from '../../shared/ui/TextField';
import { PageHead } from '../../shared/ui/PageHead';
import { newEntry } from '../../shared/visit/useVisit';
import { NewDogSheet, useNewDog } from './NewDogSheet';
import { TenFelt } from './TenFelt';
import { ageMonths, dogOf, keepDraft, NUMBERS, readDraft, readOf, type Draft } from './newDog';
import { COATS } from './words';

/** A new dog, entered by looking: it stands there and changes with every touch; a name is enough. */
export function NewDogScreen() {
  const [draft, setDraft] = useState(readDraft);
  const words = useCatalogue();
  const choices = words.data?.choices;
  const house = useHouse();
  const [place, setPlace] = useState<number | null>(null);
  const ten = words.data?.felt.filter((f) => f.is_quick) ?? [];
  const felt = place === null ? undefined : ten[place]?.felt;
  const evaluation = useNewDog(draft, felt ? { of: 'felt', which: felt } : null);
  const navigate = useNavigate();
  useEffect(() => {
    document.title = 'New dog · Veliform';
  }, []);
  useEffect(() => keepDraft(draft), [draft]);
  const change = (part: Partial<Draft>) => setDraft((d) => ({ ...d, ...part }));
  const put = useMutation({
    mutationFn: () => begin(draft),
    onSuccess: (visit) => {
      keepDraft(null);
      void navigate(`/visit/${visit.id}/talk`);
    },
  });
  const problems = put.error instanceof Failure ? put.error.fields : [];
  const said = (field: string) => problems.find((p) => p.field === field)?.message;
  const general = put.error && problems.length === 0 ? put.error.message : null;
  return (
    <div className="screen flex h-full flex-col">
      <PageHead>New dog</PageHead>
      <form
        className="flex min-h-0 flex-1 max-[800px]:block max-[800px]:overflow-y-auto"
        onSubmit={(e) => {
          e.preventDefault();
          put.mutate();
        }}
      >
        <main className="contents">
          <section
            aria-label="How it looks"
            className="flex min-w-0 flex-1 flex-col gap-2 p-3 pr-0 max-[800px]:pr-3"
          >
            <div className="flex min-h-0 flex-1 max-[800px]:h-[44vh]">
              <NewDogSheet drawing={evaluation?.drawing} />
            </div>
            <Choice
              label="Size"
              options={choices?.sizes ?? []}
              value={draft.size}
              onChange={(size) => change({ size })}
              columns={4}
            />
            <Choice
              label="Build it is nearest to"
              options={(words.data?.builds ?? []).map((b) => ({ value: b.build, label: b.label }))}
              value={draft.build}
              onChange={(build) => change({ build })}
              columns={5}
            />
            <Choice
              label="Coat"
              options={(words.data?.textures ?? []).map((t) => ({
                value: t.texture,
                label: t.label,
              }))}
              value={draft.texture}
              onChange={(texture) => change({ texture })}
              columns={5}
            />
          </section>
          <section
            aria-label="Who it is"
            className="flex w-[372px] shrink-0 flex-col p-3 pl-4 max-[800px]:w-full max-[800px]:pl-3"
          >
            <div
              className="min-h-0 flex-1 space-y-3 overflow-y-auto pr-1 max-[800px]:overflow-visible"
              tabIndex={0}
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
              {words.data &&
                house.data &&
                NUMBERS.map(({ of, measure }) => {
                  const word = words.data.measures.find((m) => m.measure === measure);
                  const guess = evaluation?.frame.find((v) => v.measure === measure);
                  return (
                    word && (
                      <LengthField
                        key={measure}
                        name={`${draft.id}.${measure}`}
                        label={word.label}
                        hint={word.how}
                        valueMm={draft[of]}
                        {...(guess ? { estimateMm: guess.value_mm } : {})}
                        units={house.data.units}
                        onValue={(mm) => change({ [of]: mm })}
                        problem={evaluation?.problems.find((p) => p.field === word.field)?.message}
                      />
                    )
                  );
                })}
              {words.data && (
                <TenFelt
                  words={ten}
                  bend={words.data.bend}
                  grades={words.data.choices.grades}
                  felt={draft.felt}
                  place={place}
                  onPlace={setPlace}
                  onFelt={(felt) => change({ felt })}
                />
              )}
              {words.data && (
                <EarTail
                  words={words.data}
                  ear={draft.ear}
                  tail={draft.tail}
                  onEar={(ear) => change({ ear })}
                  onTail={(tail) => change({ tail })}
                />
              )}
              <Choice
                label="Hair"
                options={choices?.colours ?? []}
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
              <Choice
                label="Sex"
                options={choices?.sexes ?? []}
                value={draft.sex}
                onChange={(sex) => change({ sex })}
              />
              <TextField
                label="Age, years"
                value={draft.years}
                onChange={(years) => change({ years })}
                problem={said('dog.age_months')}
              />
              <TextField
                label="What a colleague must know"
                value={draft.handling}
                onChange={(handling) => change({ handling })}
                problem={said('dog.handling')}
              />
              <p className="text-sm text-soft">What is not touched stays a guess.</p>
              {general && <Said>{general}</Said>}
            </div>
            <div className="pt-3">
              <BigButton type="submit" onClick={() => undefined} disabled={put.isPending}>
                Talk
              </BigButton>
            </div>
          </section>
        </main>
      </form>
    </div>
  );
}

/** Keeps the dog and begins its first visit, with what was read on it already. */
async function begin(draft: Draft): Promise<Schemas['VisitLog']> {
  const dog = dogOf(draft, ageMonths(draft.years));
  const kept = await ask(
    api.PUT('/api/dogs/{id}', { params: { path: { id: dog.id } }, body: dog }),
  );
  const visit = await ask(
    api.PUT('/api/visits/{id}', {
      params: { path: { id: crypto.randomUUID() } },
      body: { dog: kept.id, began_ms: nowMs() },
    }),
  );
  const entries = readOf(draft).map(newEntry);
  if (entries.length > 0)
    await ask(
      api.POST('/api/visits/{id}/entries', {
        params: { path: { id: visit.id } },
        body: { entries, salon: visit.salon },
      }),
    );
  return visit;
}
