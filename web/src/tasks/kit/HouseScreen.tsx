import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { Failure, type Schemas } from '../../shared/api/client';
import { useCatalogue, useHouse, usePutHouse, type House } from '../../shared/api/salon';
import { SchoolList } from '../../shared/schools/SchoolList';
import { MarginHead, Said } from '../../shared/ui/controls';
import { FailedPage, LoadingPage } from '../../shared/ui/states';
import { MinutesTaught } from './MinutesTaught';
import { Stylists } from './Stylists';
import { useSalonLog } from './useSalonLog';

/** How the salon works: its lines, its answers where practitioners disagree, its clock and price. */
export function HouseScreen() {
  const house = useHouse();
  const words = useCatalogue();
  const put = usePutHouse();
  const log = useSalonLog();
  useEffect(() => {
    document.title = 'How we work · Veliform';
  }, []);
  const failure = [house.error, words.error].find((e) => e instanceof Failure);
  if (failure instanceof Failure)
    return <FailedPage failure={failure} again={() => window.location.reload()} />;
  if (!house.data || !words.data) return <LoadingPage />;
  const own = house.data;
  const questions = words.data.schools.map((q) => {
    const ours = own.schools[q.question] ?? q.answers[0]?.answer;
    return { ...q, answers: q.answers.map((a) => ({ ...a, is_ours: a.answer === ours })) };
  });
  return (
    <div className="screen flex h-full flex-col">
      <header className="flex h-14 shrink-0 items-stretch border-b border-line">
        <Link to="/kit" className="flex items-center bg-tape px-5 font-bold text-on-tape">
          Kit
        </Link>
        <div className="w-1.5 bg-ink" />
        <h1 className="flex items-center pl-5 text-lg font-bold">How we work</h1>
      </header>
      <main className="min-h-0 flex-1 overflow-y-auto p-5">
        {put.error && <Said>{put.error.message}</Said>}
        <div className="grid grid-cols-[repeat(auto-fill,minmax(300px,1fr))] items-start gap-x-8">
          <section aria-label="Clock and price">
            <MarginHead>Clock and price</MarginHead>
            <TypedNumber
              label="Feel a bare blade every, minutes"
              value={own.blade_minutes}
              onNumber={(blade_minutes) => put.mutate({ ...own, blade_minutes })}
            />
            <TypedNumber
              label="An hour at the table costs"
              value={own.table_rate}
              onNumber={(table_rate) => put.mutate({ ...own, table_rate })}
            />
          </section>
          <Stylists house={own} onHouse={put.mutate} />
          {log && <MinutesTaught house={own} log={log} onHouse={put.mutate} />}
          <section aria-label="Our lines">
            <MarginHead>Our lines</MarginHead>
            <p className="text-sm text-soft">On every dog, unless moved on one.</p>
            {words.data.lines.map((line) => (
              <LineChoice key={line.line} line={line} house={own} onHouse={put.mutate} />
            ))}
          </section>
        </div>
        <section aria-label="Where practitioners disagree">
          <MarginHead>Where practitioners disagree</MarginHead>
          <div className="columns-[320px] gap-x-8">
            {questions.map((question) => (
              <div key={question.question} className="break-inside-avoid">
                <SchoolList
                  questions={[question]}
                  onAnswer={(answer, of) =>
                    put.mutate({ ...own, schools: { ...own.schools, [of]: answer } })
                  }
                />
              </div>
            ))}
          </div>
        </section>
      </main>
    </div>
  );
}

function LineChoice(props: {
  line: Schemas['LineWord'];
  house: House;
  onHouse: (next: House) => void;
}) {
  const { line, house } = props;
  const own = house.lines[line.line] ?? '';
  return (
    <label className="block pt-2">
      <span className="text-sm text-soft">{line.label}</span>
      <select
        className="h-12 w-full border border-ink bg-sheet px-2"
        value={own}
        onChange={(e) => {
          const others = Object.entries(house.lines).filter(([name]) => name !== line.line);
          const stop = line.stops.find((s) => s.stop === e.target.value)?.stop;
          const lines = Object.fromEntries(stop ? [...others, [line.line, stop]] : others);
          props.onHouse({ ...house, lines });
        }}
      >
        <option value="">as look and dog have it</option>
        {line.stops.map((stop) => (
          <option key={stop.stop} value={stop.stop}>
            {stop.label}
          </option>
        ))}
      </select>
    </label>
  );
}

/** A plain number; what is no number stays in the field and is not sent. */
function TypedNumber(props: { label: string; value: number; onNumber: (value: number) => void }) {
  const [typed, setTyped] = useState(`${props.value}`);
  const [sorry, setSorry] = useState(false);
  return (
    <label className="block pt-2">
      <span className="text-sm text-soft">{props.label}</span>
      <input
        className="h-12 w-full border border-ink bg-sheet px-3 font-mono"
        inputMode="decimal"
        value={typed}
        onChange={(e) => setTyped(e.target.value)}
        onBlur={() => {
          const value = Number(typed.replace(',', '.'));
          const isNumber = typed.trim() !== '' && Number.isFinite(value);
          setSorry(!isNumber);
          if (isNumber && value !== props.value) props.onNumber(value);
        }}
      />
      {sorry && <Said>“{typed}” is not a number; type one such as 4 or 4.5.</Said>}
    </label>
  );
}
