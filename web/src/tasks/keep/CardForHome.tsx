import { useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { useCore } from '../../shared/api/useCore';
import { Pick } from '../../shared/ui/Pick';
import { MarginHead, Plain } from '../../shared/ui/controls';
import { daysAfter, weekdayText } from '../../shared/units/show';
import { useVisitWork } from '../../shared/visit/context';
import { keepText, readText } from '../../shared/visit/drafts';

type Line = Schemas['CardText'];

/** The owner card as it prints; a line that is touched is worded otherwise or left out. */
export function CardForHome() {
  const work = useVisitWork();
  const { answer } = useCore('/api/card', work.desk);
  const [touched, touch] = useState<Line['line'] | null>(null);
  if (!answer) return null;
  const { lines, back } = answer;
  const next = back && `Next visit ${weekdayText(daysAfter(work.beganMs, back.days))}`;
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
        {next && <p className="px-3 font-bold">{next}</p>}
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
                <span className="block text-soft line-through">{line.usual}</span>
              ) : (
                <span className="block">{line.text}</span>
              )}
            </button>
          ),
        )}
        {missing.length > 0 && (
          <div className="px-3 pt-1 pb-2">
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
      <div className="flex flex-wrap items-center gap-x-5">
        <a
          className="flex min-h-12 items-center font-bold text-chalk underline"
          href={`/api/visits/${work.visitId}/owner-card.pdf`}
          target="_blank"
          rel="noreferrer"
        >
          Owner card, to print
        </a>
        <a
          className="flex min-h-12 items-center font-bold text-chalk underline"
          href={`/api/visits/${work.visitId}/return.ics`}
          download
        >
          For a calendar
        </a>
        <Copied text={() => asText(work.dog.name, next, lines)} />
      </div>
    </>
  );
}

/** The card as a message: what stands on it, a line each. */
function asText(name: string, next: string | null | undefined, lines: Line[]): string {
  const why = lines.find((line) => line.line === 'next_visit')?.text ?? '';
  const said = lines.filter((line) => line.text !== '' && line.line !== 'next_visit');
  const first = next ? `${name}: ${next[0]?.toLowerCase()}${next.slice(1)}. ${why}` : name;
  return [first.trim(), ...said.map(({ title, text }) => `${title}. ${text}`)].join('\n');
}

/** Takes a text along to wherever it is pasted; browsers give that only to pages they trust. */
function Copied({ text }: { text: () => string }) {
  const [is, set] = useState(false);
  if (!('clipboard' in navigator)) return null;
  return (
    <button
      type="button"
      className="flex min-h-12 items-center font-bold text-chalk underline"
      onClick={() => {
        navigator.clipboard.writeText(text()).then(
          () => set(true),
          () => undefined,
        );
      }}
    >
      {is ? 'Copied' : 'Copy as a message'}
    </button>
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
          rows={4}
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
