import { useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { usePutHouse } from '../../shared/api/salon';
import { useCore } from '../../shared/api/useCore';
import { useOwnLooks } from '../../shared/looks/useOwnLooks';
import { SchoolList } from '../../shared/schools/SchoolList';
import { WorkScreen } from '../../shared/sheet/WorkScreen';
import { BigLink } from '../../shared/ui/BigControl';
import { Choice, MarginHead, Said, type Option } from '../../shared/ui/controls';
import { minutesText } from '../../shared/units/show';
import { useVisitWork } from '../../shared/visit/context';
import { CutTabs } from './CutTabs';

type Holds = 'dog' | 'today' | 'look' | 'salon';

const HOLDS: Option<Holds>[] = [
  { value: 'dog', label: 'This dog' },
  { value: 'today', label: 'Today only' },
  { value: 'salon', label: 'Every dog' },
];
/** Where the dog gets a look of the salon's own, an answer can be that look's. */
const HOLDS_IN_A_LOOK: Option<Holds>[] = [
  ...HOLDS.slice(0, 2),
  { value: 'look', label: 'This look' },
  ...HOLDS.slice(2),
];

/** Our way of working beside others', each tried on this dog: said for it, today, its look, or for all. */
export function SchoolsScreen() {
  const work = useVisitWork();
  const { desk, house, options, plan } = work;
  const [holds, setHolds] = useState<Holds>('dog');
  const put = usePutHouse();
  const looks = useOwnLooks();
  const questions = useCore('/api/schools', { ...desk, options }).answer;
  const answer = (given: Schemas['Answer'], question: Schemas['Question']) => {
    if (holds === 'look' && looks.chosen) {
      looks.change({ ...looks.chosen, ways: { ...looks.chosen.ways, [question]: given } });
      leaveDog(question);
      return;
    }
    if (holds !== 'salon') {
      const today_only = holds === 'today';
      work.say({ kind: 'way_said', question, answer: given, today_only });
      return;
    }
    const schools = { ...house.schools, [question]: given };
    // What was said for this dog, or for its look, would lie over what holds for more.
    leaveDog(question);
    const own = lookWithout(question);
    if (own) looks.change(own, { schools });
    else put.mutate({ ...house, schools });
  };
  const leave = (question: Schemas['Question']) => {
    leaveDog(question);
    const own = lookWithout(question);
    if (own) looks.change(own);
  };
  /** The look without its own way there; none where it has none. */
  const lookWithout = (question: Schemas['Question']): Schemas['OwnLook'] | null => {
    if (!looks.chosen?.ways?.[question]) return null;
    const others = Object.entries(looks.chosen.ways).filter(([asked]) => asked !== question);
    return { ...looks.chosen, ways: Object.fromEntries(others) };
  };
  const leaveDog = (question: Schemas['Question']) => {
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
          <Choice
            label="An answer holds for"
            options={looks.chosen ? HOLDS_IN_A_LOOK : HOLDS}
            value={holds}
            onChange={setHolds}
          />
          {put.error && <Said>{put.error.message}</Said>}
          {looks.error && <Said>{looks.error.message}</Said>}
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
      next={<BigLink to={`/visit/${work.visitId}/cut`}>To the cut sheet</BigLink>}
    />
  );
}
