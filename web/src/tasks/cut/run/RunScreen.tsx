import { useRun, type RunNow } from '../../../shared/run/useRun';
import { WorkScreen } from '../../../shared/sheet/WorkScreen';
import { BigHold, BigLink } from '../../../shared/ui/BigControl';
import { useHold } from '../../../shared/ui/useHold';
import { useVisitWork } from '../../../shared/visit/context';
import { AtTable } from './AtTable';
import { Over } from './Over';
import { usePedal } from './useTable';

/** The table run: one step at a time, from the first nail to the last look. */
export function RunScreen() {
  const work = useVisitWork();
  const run = useRun();
  if (!run) {
    const hasBegun = work.evaluation.visit.run != null;
    return (
      <WorkScreen
        title="Table run"
        isWide
        margin={
          <p>{hasBegun ? 'One moment.' : 'The groom has not begun. The cut sheet starts it.'}</p>
        }
        next={<BigLink to={`/visit/${work.visitId}/cut`}>To the cut sheet</BigLink>}
      />
    );
  }
  if (run.view.run.ended) return <Over run={run} />;
  if (run.view.own_cautions.length > 0 && !run.view.run.has_seen_cautions)
    return <FirstRead run={run} />;
  return <AtTable run={run} />;
}

const nothing = () => undefined;

/** This dog's own cautions, once a visit, before anything is done. */
function FirstRead({ run }: { run: RunNow }) {
  const { say } = run;
  const hold = useHold(() => say({ event: 'cautions_seen' }));
  usePedal({ onNext: nothing, onBack: nothing, hold });
  return (
    <WorkScreen
      title="Table run"
      isWide
      margin={
        <>
          <h2 className="text-[34px] leading-[1.1] font-bold">First, this dog</h2>
          <ul className="pt-3">
            {run.view.own_cautions.map((text) => (
              <li key={text} className="mb-3 border-l-4 border-pin pl-3 text-xl leading-snug">
                {text}
              </li>
            ))}
          </ul>
        </>
      }
      next={<BigHold hold={hold}>I have read this</BigHold>}
    />
  );
}
