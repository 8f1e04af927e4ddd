import type { Schemas } from '../../shared/api/client';
import { MarginHead, Plain } from '../../shared/ui/controls';
import { useVisitWork } from '../../shared/visit/context';

/** One length on the body or two: what the other way leaves and costs, taken by a touch. */
export function SecondLength({ second }: { second: Schemas['SecondLength'] | null }) {
  const work = useVisitWork();
  const isPut = work.evaluation.visit.lines?.back_pass != null;
  if (!second && !isPut) return null;
  const put = (stop: Schemas['LineStop'] | null) =>
    work.say({ kind: 'line_moved', line: 'back_pass', stop });
  return (
    <>
      <MarginHead>One length or two</MarginHead>
      {second && <p className="pb-2">{second.sentence}</p>}
      {second && <Plain onClick={() => put(second.stop)}>{second.take}</Plain>}
      {!second && <Plain onClick={() => put(null)}>As the plan would have it</Plain>}
    </>
  );
}
