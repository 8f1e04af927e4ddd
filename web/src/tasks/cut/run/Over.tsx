import { Link } from 'react-router';
import type { RunNow } from '../../../shared/run/useRun';
import { WorkScreen } from '../../../shared/sheet/WorkScreen';
import { BigLink } from '../../../shared/ui/BigControl';
import { Choice, Plain } from '../../../shared/ui/controls';
import { minutesText } from '../../../shared/units/show';
import { useVisitWork } from '../../../shared/visit/context';
import { useStepOnSheet } from './useStepOnSheet';

/** The groom is over: what was done, what was not, how long it took. */
export function Over({ run }: { run: RunNow }) {
  const work = useVisitWork();
  const { view } = run;
  const { ended, steps, notes } = view.run;
  useStepOnSheet(null);
  const done = steps.filter((s) => s.state === 'done').length;
  const open = steps.filter((s) => s.state === 'open');
  const timed = steps.filter((s) => s.minutes >= 0.5);
  const what = (n: number) => view.run.sheet.steps.find((s) => s.number === n)?.what ?? '';
  return (
    <WorkScreen
      title="Table run"
      isWide
      margin={
        <>
          <h2 className="text-[34px] leading-[1.1] font-bold">
            {work.words.run_ends.find((end) => end.how === (ended?.how ?? 'finished'))?.over}
          </h2>
          {ended?.reason && <p className="pt-1 text-xl">{ended.reason}</p>}
          <p className="pt-2 text-lg">
            {done} of {steps.length} steps done in {minutesText(view.worked_minutes)}; planned{' '}
            {minutesText(view.run.sheet.minutes)}.
          </p>
          {(open.length > 0 || view.put_off.length > 0) && (
            <>
              <h3 className="mt-3 border-t border-line pt-2 text-lg font-bold">Not done</h3>
              <ul>
                {open.map((s) => (
                  <li key={s.step}>{what(s.step)}</li>
                ))}
                {view.put_off.map((off) => (
                  <li key={off.step}>{off.words}</li>
                ))}
              </ul>
            </>
          )}
          <RanOver run={run} />
          {notes.length > 0 && (
            <>
              <h3 className="mt-3 border-t border-line pt-2 text-lg font-bold">Notes</h3>
              <ul>
                {notes.map((note, i) => (
                  <li key={i}>
                    {what(note.step)}: {note.text}
                  </li>
                ))}
              </ul>
            </>
          )}
          {timed.length > 0 && (
            <>
              <h3 className="mt-3 border-t border-line pt-2 text-lg font-bold">Minutes</h3>
              <ul>
                {timed.map((s) => (
                  <li key={s.step} className="flex justify-between gap-2">
                    <span>{what(s.step)}</span>
                    <span className="font-mono">{Math.round(s.minutes)}</span>
                  </li>
                ))}
              </ul>
            </>
          )}
          {open[0] && (
            <div className="pt-3">
              <Plain onClick={() => open[0] && run.say({ event: 'reopened', step: open[0].step })}>
                Open again
              </Plain>
            </div>
          )}
        </>
      }
      next={<BigLink to={`/visit/${work.visitId}/check`}>Walk round</BigLink>}
      foot={
        <Link className="flex min-h-12 items-center underline" to={`/visit/${work.visitId}/cut`}>
          Cut sheet
        </Link>
      }
    />
  );
}

/** One reason for each step that ran over. */
function RanOver({ run }: { run: RunNow }) {
  const { words } = useVisitWork();
  const { ran_over: over } = run.view;
  if (over.length === 0) return null;
  return (
    <>
      <h3 className="mt-3 border-t border-line pt-2 text-lg font-bold">Took longer: why?</h3>
      {over.map((step) => (
        <div key={step.step} className="py-2">
          <Choice
            label={step.words}
            options={words.choices.over_reasons}
            value={step.reason ?? null}
            onChange={(reason) => run.say({ event: 'ran_over', step: step.step, reason })}
          />
        </div>
      ))}
    </>
  );
}
