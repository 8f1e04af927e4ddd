import { useRef } from 'react';
import type { Schemas } from '../../shared/api/client';
import { bendOf, withBend, type Grades } from '../../shared/dog/bend';
import type { Draft } from './newDog';

type Felt = Schemas['Felt'];

/** The ten of the first minute, one after another as the hand goes; each answer turns to the next. */
export function TenFelt(props: {
  words: Schemas['FeltWord'][];
  bend: Schemas['BendQuestion'];
  grades: Schemas['Word_Grade'][];
  felt: Draft['felt'];
  /** Which is asked; none while nobody began. */
  place: number | null;
  onPlace: (place: number | null) => void;
  onFelt: (felt: Draft['felt']) => void;
}) {
  const { words, bend, felt, place, onPlace } = props;
  const isSaid = (which: Felt) =>
    which === 'straight_behind'
      ? bendOf(felt, bend.answers) !== undefined
      : felt[which] !== undefined;
  const start = useRef<HTMLButtonElement>(null);
  const said = words.filter((word) => isSaid(word.felt)).length;
  const word = place === null ? undefined : words[place];
  if (place === null || !word)
    return (
      <div>
        <button
          ref={start}
          type="button"
          className="block min-h-14 w-full border-2 border-ink px-3 text-left font-bold"
          onClick={() => onPlace(0)}
        >
          Feel it now: ten answers
        </button>
        <p className="text-sm text-soft">
          {said === 0 ? 'Or later, under Hands.' : `${said} of ${words.length} said.`}
        </p>
      </div>
    );
  const turn = (to: number) => {
    onPlace(to < words.length ? to : null);
    // Whoever goes by the keyboard goes on from here.
    if (to >= words.length) requestAnimationFrame(() => start.current?.focus());
  };
  const answer = (grades: Grades) => {
    props.onFelt(grades);
    turn(place + 1);
  };
  const isBend = word.felt === 'straight_behind';
  const label = isBend ? bend.label : word.label;
  return (
    <section aria-label="Felt, one after another" className="border-2 border-ink p-2">
      <p className="text-sm text-soft">
        {place + 1} of {words.length}
      </p>
      <p className="text-xl leading-tight font-bold">{label}</p>
      <p className="text-sm text-soft">{isBend ? bend.how : word.how}</p>
      <div role="group" aria-label={label} className="grid grid-cols-3 gap-1 pt-2">
        {isBend
          ? bend.answers.map((one) => (
              <Answer
                key={one.bend}
                isSaid={bendOf(felt, bend.answers)?.bend === one.bend}
                onClick={() => answer(withBend(felt, one, bend.answers))}
              >
                {one.label}
              </Answer>
            ))
          : props.grades.map(({ value, label: grade }) => (
              <Answer
                key={value}
                isSaid={felt[word.felt] === value}
                onClick={() => answer({ ...felt, [word.felt]: value })}
              >
                {grade}
              </Answer>
            ))}
      </div>
      <div className="grid grid-cols-3 gap-1 pt-2">
        <Turn disabled={place === 0} onClick={() => turn(place - 1)}>
          One before
        </Turn>
        <Turn onClick={() => turn(place + 1)}>Pass over</Turn>
        <Turn onClick={() => turn(words.length)}>Enough</Turn>
      </div>
    </section>
  );
}

function Answer(props: { isSaid: boolean; onClick: () => void; children: string }) {
  return (
    <button
      type="button"
      aria-pressed={props.isSaid}
      onClick={props.onClick}
      className="min-h-16 border-2 border-ink px-1 text-lg leading-tight font-bold aria-pressed:taped"
    >
      {props.children}
    </button>
  );
}

function Turn(props: { onClick: () => void; disabled?: boolean; children: string }) {
  return (
    <button
      type="button"
      disabled={props.disabled}
      onClick={props.onClick}
      className="min-h-12 text-chalk underline disabled:text-soft disabled:no-underline"
    >
      {props.children}
    </button>
  );
}
