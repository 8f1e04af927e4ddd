import { useEffect } from 'react';
import { Failure, type Schemas } from '../../shared/api/client';
import { useCatalogue, useHouse, usePutHouse, type House } from '../../shared/api/salon';
import { SchoolList } from '../../shared/schools/SchoolList';
import { Pick } from '../../shared/ui/Pick';
import { Choice, MarginHead, Said } from '../../shared/ui/controls';
import { NumberField } from '../../shared/ui/NumberField';
import { FailedPage, LoadingPage } from '../../shared/ui/states';
import { PageHead } from '../../shared/ui/PageHead';
import { MinutesTaught } from './MinutesTaught';
import { OnThisDevice } from './OnThisDevice';
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
    const ours = own.schools[q.question] ?? q.answers[0]?.value;
    return {
      ...q,
      answers: q.answers.map(({ value: answer, label }) => ({
        answer,
        label,
        is_ours: answer === ours,
      })),
    };
  });
  return (
    <div className="screen flex h-full flex-col">
      <PageHead back={{ to: '/kit', name: 'Kit' }}>How we work</PageHead>
      <main className="min-h-0 flex-1 overflow-y-auto p-5">
        {put.error && <Said>{put.error.message}</Said>}
        <div className="grid grid-cols-[repeat(auto-fill,minmax(300px,1fr))] items-start gap-x-8">
          <section aria-label="Clock and price">
            <MarginHead>Clock and price</MarginHead>
            <NumberField
              name="house.blade_minutes"
              label="Feel a bare blade every, minutes"
              value={own.blade_minutes}
              example="4 or 4.5"
              onNumber={(blade_minutes) => {
                if (blade_minutes !== null) put.mutate({ ...own, blade_minutes });
              }}
            />
            <NumberField
              name="house.table_rate"
              label="An hour at the table costs"
              value={own.table_rate}
              example="45"
              onNumber={(table_rate) => {
                if (table_rate !== null) put.mutate({ ...own, table_rate });
              }}
            />
          </section>
          <section aria-label="Lengths">
            <MarginHead>Lengths</MarginHead>
            <Choice
              label="Written in, everywhere in the salon"
              columns={2}
              options={words.data.choices.units}
              value={own.units}
              onChange={(units) => put.mutate({ ...own, units })}
            />
          </section>
          <OnThisDevice />
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
  const own = house.lines[line.line] ?? null;
  return (
    <Pick
      label={line.label}
      options={[{ value: null, label: 'as look and dog have it' }, ...line.stops]}
      value={own}
      onPick={(stop) => {
        const others = Object.entries(house.lines).filter(([name]) => name !== line.line);
        const lines = Object.fromEntries(stop ? [...others, [line.line, stop]] : others);
        props.onHouse({ ...house, lines });
      }}
    />
  );
}
