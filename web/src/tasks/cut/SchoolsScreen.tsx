import { useState } from 'react';
import { api, ask, type Schemas } from '../../shared/api/client';
import { usePutHouse } from '../../shared/api/salon';
import { SchoolList } from '../../shared/schools/SchoolList';
import { WorkScreen } from '../../shared/sheet/WorkScreen';
import { BigLink } from '../../shared/ui/BigControl';
import { Choice, MarginHead, Said, type Option } from '../../shared/ui/controls';
import { minutesText } from '../../shared/units/show';
import { useAnswer } from '../../shared/visit/useAnswer';
import { useVisitWork } from '../../shared/visit/context';
import { CutTabs } from './CutTabs';

type Holds = 'dog' | 'today' | 'salon';

const HOLDS: Option<Holds>[] = [
  { value: 'dog', label: 'This dog' },
  { value: 'today', label: 'Today only' },
  { value: 'salon', label: 'Every dog' },
];

/** Our way of working beside others', each tried on this dog: said for it, for today, or for all. */
export function SchoolsScreen() {
  const work = useVisitWork();
  const { desk, house, options, plan } = work;
  const [holds, setHolds] = useState<Holds>('dog');
  const put = usePutHouse();
  const questions = useAnswer({ ...desk, options }, 0, (body) =>
    ask(api.POST('/api/schools', { body })),
  );
  const answer = (given: Schemas['Answer'], question: Schemas['Question']) => {
    if (holds !== 'salon') {
      const today_only = holds === 'today';
      work.say({ kind: 'way_said', question, answer: given, today_only });
      return;
    }
    put.mutate({ ...house, schools: { ...house.schools, [question]: given } });
    // What was said for this dog would lie over it.
    leave(question);
  };
  const leave = (question: Schemas['Question']) => {
    const { ways, ways_today } = work.evaluation.visit;
    if (ways?.[question] ?? ways_today?.[question])
      work.say({ kind: 'way_said', question, answer: null });
  };
  const lists = questions && [
    { head: 'They change something on this dog', of: questions.filter((q) => q.matters) },
    { head: 'All the same on this dog', of: questions.filter((q) => !q.matters) },
  ];
  return (
    <WorkScreen
      title="Ways of working"
      isWide
      margin={
        <>
          <CutTabs />
          {plan && (
            <p className="pb-2 text-soft">
              <b className="text-ink">{minutesText(plan.sheet.minutes)} on this dog.</b>
            </p>
          )}
          <Choice label="An answer holds for" options={HOLDS} value={holds} onChange={setHolds} />
          {put.error && <Said>{put.error.message}</Said>}
          {lists ? (
            lists
              .filter((list) => list.of.length > 0)
              .map((list) => (
                <section key={list.head} aria-label={list.head}>
                  <MarginHead>{list.head}</MarginHead>
                  <SchoolList questions={list.of} onAnswer={answer} onLeave={leave} />
                </section>
              ))
          ) : (
            <p>Trying each way on this dog…</p>
          )}
        </>
      }
      next={<BigLink to={`/visit/${work.visitId}/cut`}>Back to the cut sheet</BigLink>}
    />
  );
}
