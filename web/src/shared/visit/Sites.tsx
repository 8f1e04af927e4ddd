import { useState } from 'react';
import { wordOf } from '../api/choices';
import type { Schemas } from '../api/client';
import { Choice, MarginHead } from '../ui/controls';
import { LengthField } from '../ui/LengthField';
import { problemOf, useVisitWork } from './context';
import { capital } from '../units/capital';

type Site = Schemas['Site'];
type State = Schemas['SiteState'];
type Marks = Schemas['SiteMarks'];
type Side = 'both' | 'left' | 'right';

const NOTHING: State = { knots: 'none', skin: 'sound', length_mm: null };
/** Places the hand knows and the outline does not show: knots, skin and length at each. */
export function Sites(props: { open: Site | null; onOpen: (site: Site | null) => void }) {
  const { words, evaluation } = useVisitWork();
  const said = evaluation.visit.coat.sites ?? {};
  const open = words.sites.find((s) => s.site === props.open);
  return (
    <section aria-label="Hidden places">
      <MarginHead>Hidden places</MarginHead>
      <p className="pb-2 text-sm text-soft">Touch where you find knots, red or broken skin.</p>
      <div className="grid grid-cols-2 pt-px pl-px">
        {words.sites.map((word) => {
          const marks = said[word.site];
          return (
            <button
              key={word.site}
              type="button"
              aria-expanded={props.open === word.site}
              className="-mt-px -ml-px flex min-h-12 flex-col items-start justify-center border border-ink px-2 py-1 text-left leading-tight aria-expanded:taped"
              onClick={() => props.onOpen(props.open === word.site ? null : word.site)}
            >
              <span className={marks ? 'font-bold' : ''}>{capital(word.label)}</span>
              {marks && <span className="text-sm">{inWords(marks, words.choices)}</span>}
            </button>
          );
        })}
      </div>
      {open && <SiteForm key={open.site} word={open} marks={said[open.site]} />}
    </section>
  );
}

/** What was said of a site, in a few words. */
function inWords(marks: Marks, { knots, site_skins }: Schemas['Choices']): string {
  const of = (state: State) =>
    [
      state.knots !== 'none' && `${wordOf(knots, state.knots).toLowerCase()} knots`,
      state.skin !== 'sound' && `${wordOf(site_skins, state.skin).toLowerCase()} skin`,
    ]
      .filter(Boolean)
      .join(', ');
  const [left, right] = [of(marks.left), marks.right && of(marks.right)];
  if (right === undefined || right === null) return left;
  return [left && `${left}, left`, right && `${right}, right`].filter(Boolean).join('; ');
}

function SiteForm(props: { word: Schemas['SiteWord']; marks: Marks | undefined }) {
  const work = useVisitWork();
  const { site, label, is_pair } = props.word;
  const marks = props.marks ?? { left: NOTHING };
  const [side, setSide] = useState<Side>(marks.right ? 'left' : 'both');
  const state = side === 'right' ? (marks.right ?? marks.left) : marks.left;
  const say = (change: Partial<State>) => {
    const next = { ...state, ...change };
    work.say({ kind: 'site_set', site, marks: withSide(marks, side, next) });
  };
  return (
    <div className="border-x border-b border-ink p-2" role="group" aria-label={label}>
      {is_pair && (
        <Choice<Side>
          label="Side"
          options={[{ value: 'both', label: 'Both' }, ...work.words.choices.hands]}
          value={side}
          onChange={setSide}
          hideLabel
        />
      )}
      <Choice
        label="Knots"
        options={work.words.choices.knots}
        value={state.knots}
        onChange={(knots) => say({ knots })}
      />
      <Choice
        label="Skin"
        options={work.words.choices.site_skins}
        value={state.skin}
        onChange={(skin) => say({ skin })}
      />
      <LengthField
        key={side}
        name={`${work.visitId}.site.${site}.${side}`}
        label="Hair there"
        valueMm={state.length_mm ?? null}
        units={work.house.units}
        onValue={(length_mm) => say({ length_mm })}
        problem={problemOf(work, `site.${label}`)?.message}
      />
    </div>
  );
}

/** The marks with one side said anew; what is said of both leaves no right of its own. */
function withSide(marks: Marks, side: Side, state: State): Marks {
  switch (side) {
    case 'both':
      return { left: state };
    case 'left':
      return { left: state, right: marks.right ?? marks.left };
    case 'right':
      return { left: marks.left, right: state };
  }
}
