import { Plain } from '../../../shared/ui/controls';
import { capital } from '../../../shared/units/capital';

/** Why a step is left for another visit, in the words it stands in on the record. */
const WHY = ['the dog minds it', 'skin', 'knots', 'short of time', 'the owner said so'];

/** Not today: one touch says why. */
export function PutPanel(props: { what: string; onPut: (reason: string) => void }) {
  return (
    <>
      <h2 className="text-[28px] leading-tight font-bold">Not today: why?</h2>
      <p className="pb-3 text-lg">{props.what}</p>
      <div className="grid gap-2" role="group" aria-label="Why">
        {WHY.map((why) => (
          <Plain key={why} onClick={() => props.onPut(why)}>
            {capital(why)}
          </Plain>
        ))}
        <Plain onClick={() => props.onPut('')}>No reason</Plain>
      </div>
    </>
  );
}
