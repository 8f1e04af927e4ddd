import { api, ask } from '../../shared/api/client';
import { usePutHouse } from '../../shared/api/salon';
import { SchoolList } from '../../shared/schools/SchoolList';
import { WorkScreen } from '../../shared/sheet/WorkScreen';
import { BigLink } from '../../shared/ui/BigControl';
import { Said } from '../../shared/ui/controls';
import { minutesText } from '../../shared/units/show';
import { useAnswer } from '../../shared/visit/useAnswer';
import { useVisitWork } from '../../shared/visit/context';
import { CutTabs } from './CutTabs';

/** Our way of working beside others', each tried on this dog. */
export function SchoolsScreen() {
  const work = useVisitWork();
  const { desk, house, options, plan } = work;
  const put = usePutHouse();
  const questions = useAnswer({ ...desk, options }, 0, (body) =>
    ask(api.POST('/api/schools', { body })),
  );
  return (
    <WorkScreen
      title="Ways of working"
      isWide
      margin={
        <>
          <CutTabs />
          <p className="pb-2 text-soft">
            {plan && <b className="text-ink">{minutesText(plan.sheet.minutes)} on this dog. </b>}
            An answer holds for the whole salon.
          </p>
          {put.error && <Said>{put.error.message}</Said>}
          {questions ? (
            <SchoolList
              questions={questions}
              onAnswer={(answer, question) =>
                put.mutate({ ...house, schools: { ...house.schools, [question]: answer } })
              }
            />
          ) : (
            <p>Trying each way on this dog…</p>
          )}
        </>
      }
      next={<BigLink to={`/visit/${work.visitId}/cut`}>Back to the cut sheet</BigLink>}
    />
  );
}
