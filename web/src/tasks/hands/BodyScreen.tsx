import { Tick } from '../../shared/ui/Tick';
import { useState } from 'react';
import { useSearchParams } from 'react-router';
import { wordOf } from '../../shared/api/choices';
import type { Schemas } from '../../shared/api/client';
import { spotOn } from '../../shared/sheet/place';
import { ViewChoice } from '../../shared/sheet/ViewChoice';
import { WorkScreen } from '../../shared/sheet/WorkScreen';
import { BigLink } from '../../shared/ui/BigControl';
import { Pick } from '../../shared/ui/Pick';
import { MarginHead, Plain, Said } from '../../shared/ui/controls';
import { LengthField } from '../../shared/ui/LengthField';
import { dayText } from '../../shared/units/show';
import { problemOf, useVisitWork } from '../../shared/visit/context';
import { Sites } from '../../shared/visit/Sites';
import { useRecord } from '../../shared/visit/useRecord';
import { HandlingForm } from './HandlingForm';
import { HandsTabs } from './HandsTabs';

type Found = Schemas['Found'];

/** What is found on the body, put on the drawing; how the dog is to be handled. */
export function BodyScreen() {
  const work = useVisitWork();
  const [search] = useSearchParams();
  const [kind, setKind] = useState<Schemas['FoundKind']>('lump');
  const [chosen, setChosen] = useState<string | null>(null);
  const [site, setSite] = useState<Schemas['Site'] | null>(null);
  const found = work.evaluation.visit.found ?? [];
  const word = work.words.found.find((w) => w.kind === kind);
  const put = (page: [number, number]) => {
    const spot = spotOn(work.evaluation, page);
    if (!spot) return;
    const id = crypto.randomUUID();
    work.say({
      kind: 'found_put',
      found: {
        id,
        kind,
        ...spot,
        word: '',
        owner_told: false,
        vet_look: word?.is_for_the_vet ?? false,
      },
    });
    setChosen(id);
  };
  const one = found.find((f) => f.id === chosen);
  return (
    <WorkScreen
      title="Body"
      onPlace={put}
      onTouch={(tag) => {
        if (tag.of === 'site') setSite(tag.which);
        if (tag.of === 'found') setChosen(found[tag.which - 1]?.id ?? null);
      }}
      foot={<ViewChoice />}
      margin={
        <>
          <HandsTabs />
          <MarginHead>Found on the body</MarginHead>
          <Pick
            label="What"
            options={work.words.found.map((w) => ({ value: w.kind, label: w.label }))}
            value={kind}
            onPick={setKind}
          />
          <p className="pb-2 text-sm text-soft">
            Touch the place on the dog, in any view. Nothing here diagnoses.
          </p>
          <KeyboardPlace view={search.get('view') ?? 'side'} onPlace={put} />
          <ol>
            {found.map((f, i) => (
              <li key={f.id}>
                <button
                  type="button"
                  aria-expanded={chosen === f.id}
                  className="flex min-h-12 w-full items-center gap-3 border-b border-line text-left"
                  onClick={() => setChosen(chosen === f.id ? null : f.id)}
                >
                  <span className="flex size-7 items-center justify-center rounded-full bg-pin font-mono font-bold text-on-pin">
                    {i + 1}
                  </span>
                  {labelOf(work.words, f.kind)}
                  {f.word && `, ${f.word}`}
                </button>
                {one?.id === f.id && <FoundForm key={f.id} found={one} />}
              </li>
            ))}
          </ol>
          <Earlier />
          <Sites open={site} onOpen={setSite} />
          <HandlingForm />
        </>
      }
      next={<BigLink to={`/visit/${work.visitId}/coat`}>Feel the coat</BigLink>}
    />
  );
}

function labelOf(words: Schemas['Catalogue'], kind: Schemas['FoundKind']): string {
  return words.found.find((w) => w.kind === kind)?.label ?? kind;
}

/** Puts a mark in the middle of the view for those who do not touch; arrows move it then. */
function KeyboardPlace(props: { view: string; onPlace: (page: [number, number]) => void }) {
  const { evaluation } = useVisitWork();
  const place =
    evaluation.drawing.views.find((v) => v.view === props.view) ?? evaluation.drawing.views[0];
  if (!place) return null;
  const [left, bottom, right, top] = place.area_mm as [number, number, number, number];
  return (
    <Plain onClick={() => props.onPlace([(left + right) / 2, (bottom + top) / 2])}>
      Put it in the middle
    </Plain>
  );
}

const STEP = 0.01;
const MOVES: [string, number, number][] = [
  ['←', -1, 0],
  ['→', 1, 0],
  ['↑', 0, 1],
  ['↓', 0, -1],
];

function FoundForm({ found }: { found: Found }) {
  const work = useVisitWork();
  const put = useRecord(found, (whole) => work.say({ kind: 'found_put', found: whole }));
  const [x, y] = found.at as [number, number];
  const signs = work.evaluation.drawing.views.find((v) => v.view === found.view)?.signs ?? [1, 1];
  const problem =
    problemOf(work, `found.${found.id}.word`) ?? problemOf(work, `found.${found.id}.size`);
  return (
    <div className="border-b border-line pb-3">
      <LengthField
        name={`${work.visitId}.found.${found.id}`}
        label="Size"
        valueMm={found.size_mm ?? null}
        units={work.house.units}
        onValue={(size_mm) => put({ size_mm })}
      />
      <label className="block py-1">
        <span className="font-bold">A word</span>
        <input
          className="mt-1 h-12 w-full border border-ink bg-sheet px-2"
          defaultValue={found.word}
          onBlur={(e) => put({ word: e.target.value })}
        />
      </label>
      <Tick
        label="Owner told"
        value={found.owner_told ?? false}
        onChange={(owner_told) => put({ owner_told })}
      />
      <Tick
        label="Have a vet look at this"
        value={found.vet_look ?? false}
        onChange={(vet_look) => put({ vet_look })}
      />
      {problem && <Said>{problem.message}</Said>}
      <div className="flex flex-wrap gap-1 pt-1" role="group" aria-label="Move it">
        {MOVES.map(([arrow, dx, dy]) => (
          <Plain
            key={arrow}
            label={`Move ${arrow}`}
            onClick={() =>
              put({
                at: [x + dx * (signs[0] ?? 1) * STEP, y + dy * (signs[1] ?? 1) * STEP],
              })
            }
          >
            {arrow}
          </Plain>
        ))}
        <Plain onClick={() => work.say({ kind: 'found_removed', found: found.id })}>
          Take it off
        </Plain>
      </div>
    </div>
  );
}

/** What was found before, with what became of it. */
function Earlier() {
  const work = useVisitWork();
  const earlier = work.past?.found ?? [];
  if (earlier.length === 0) return null;
  const outcomes = work.evaluation.visit.outcomes ?? {};
  return (
    <>
      <MarginHead>Found before</MarginHead>
      {earlier.map(({ found, began_ms, outcome }) => (
        <div key={found.id} className="border-b border-line py-1">
          <p>
            {labelOf(work.words, found.kind)}
            {found.word && `, ${found.word}`}
            <span className="block text-sm text-soft">
              {dayText(began_ms)}
              {outcome && `, then ${wordOf(work.words.choices.outcomes, outcome).toLowerCase()}`}
            </span>
          </p>
          <Pick
            label={`What became of the ${labelOf(work.words, found.kind)}`}
            hideLabel
            asks="What became of it?"
            options={work.words.choices.outcomes}
            value={outcomes[found.id] ?? null}
            onPick={(outcome) => work.say({ kind: 'outcome_set', found: found.id, outcome })}
          />
        </div>
      ))}
    </>
  );
}
