import { useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { useCore } from '../../shared/api/useCore';
import { Pick } from '../../shared/ui/Pick';
import { MarginHead, Plain, Said } from '../../shared/ui/controls';
import { daysAfter, weekdayText } from '../../shared/units/show';
import { problemOf, useVisitWork } from '../../shared/visit/context';
import { keepText, readText } from '../../shared/visit/drafts';

type Line = Schemas['CardText'];

/** The owner card as it prints; a line that is touched is worded otherwise or left out. */
export function CardForHome() {
  const work = useVisitWork();
  const { answer } = useCore('/api/card', work.desk);
  const [touched, touch] = useState<Line['line'] | null>(null);
  const problem = problemOf(work, 'card');
  if (!answer) return null;
  const { lines, back } = answer;
  const missing = work.words.choices.card_lines.filter(
    (word) => !lines.some((line) => line.line === word.value) && word.value !== touched,
  );
  const say = (line: Line['line'], text: string | null) => {
    work.say({ kind: 'card_line_said', line, text });
    touch(null);
  };
  const fresh = (line: Line['line']): Line => ({
    line,
    title: work.words.choices.card_lines.find((w) => w.value === line)?.label ?? '',
    text: '',
    usual: '',
  });
  const shown =
    touched === null || lines.some((l) => l.line === touched) ? lines : [...lines, fresh(touched)];
  return (
    <>
      <MarginHead>Card for the fridge</MarginHead>
      <p className="pb-1 text-sm text-soft">Touch a line to word it otherwise.</p>
      <section aria-label="Owner card" className="border-2 border-ink bg-sheet">
        <p className="px-3 pt-2 text-lg font-bold">{work.dog.name}</p>
        {back && (
          <p className="px-3 font-bold">
            Next visit {weekdayText(daysAfter(work.beganMs, back.days))}
          </p>
        )}
        {shown.map((line) =>
          line.line === touched ? (
            <Reworded
              key={line.line}
              line={line}
              most={answer.most_letters}
              name={`${work.visitId}.card.${line.line}`}
              onSay={(text) => say(line.line, text)}
              onClose={() => touch(null)}
            />
          ) : (
            <button
              key={line.line}
              type="button"
              className="block min-h-12 w-full px-3 py-1 text-left"
              onClick={() => touch(line.line)}
            >
              {line.line !== 'next_visit' && <span className="block font-bold">{line.title}</span>}
              {line.text === '' ? (
                <span className="block text-soft line-through">{line.usual || 'left out'}</span>
              ) : (
                <span className="block">{line.text}</span>
              )}
            </button>
          ),
        )}
        {missing.length > 0 && (
          <div className="px-3 pb-2">
            <Pick
              label="Another line on the card"
              hideLabel
              asks="another line"
              options={missing}
              value={null}
              onPick={touch}
            />
          </div>
        )}
      </section>
      {problem && <Said>{problem.message}</Said>}
      <a
        className="flex min-h-12 items-center font-bold text-chalk underline"
        href={`/api/visits/${work.visitId}/owner-card.pdf`}
        target="_blank"
        rel="noreferrer"
      >
        Owner card, to print
      </a>
    </>
  );
}

/** A line in the making: a draft outlives a reload. */
function Reworded(props: {
  line: Line;
  most: number;
  name: string;
  onSay: (text: string | null) => void;
  onClose: () => void;
}) {
  const { line, name } = props;
  const [text, setText] = useState(() => readText(name) ?? line.text);
  const say = (said: string | null) => {
    keepText(name, null);
    props.onSay(said);
  };
  return (
    <div className="border-y border-ink px-3 py-2">
      <label className="block">
        <span className="font-bold">{line.title}</span>
        <textarea
          // Touched to be written in.
          autoFocus
          className="mt-1.5 block w-full border border-ink bg-page p-2"
          rows={3}
          maxLength={props.most}
          value={text}
          onChange={(e) => {
            setText(e.target.value);
            keepText(name, e.target.value === line.text ? null : e.target.value);
          }}
          onKeyDown={(e) => {
            if (e.key === 'Escape') props.onClose();
          }}
        />
      </label>
      <div className="flex flex-wrap gap-2 pt-2">
        <Plain onClick={() => say(text)}>Say it so</Plain>
        {line.usual !== '' && line.text !== line.usual && (
          <Plain onClick={() => say(null)}>As usual</Plain>
        )}
        {line.text !== '' && <Plain onClick={() => say('')}>Leave it out</Plain>}
      </div>
    </div>
  );
}
