import type { Schemas } from '../../../shared/api/client';
import type { RunNow } from '../../../shared/run/useRun';
import { Plain } from '../../../shared/ui/controls';
import { useVisitWork } from '../../../shared/visit/context';
import type { Renewed } from './useRenewal';
import { CombTest } from './CombTest';
import { Pace } from './Pace';
import { PairQuestion } from './PairQuestion';
import { SmallJobs, StepCard } from './StepCard';

type Step = Schemas['Step'];

/** The step in hand, with what is asked before it is done. */
export function StepInHand(props: {
  run: RunNow;
  isPairOpen: boolean;
  needsTest: boolean;
  renewed: Renewed | null;
  onPasses: () => void;
  onAlike: () => void;
  onTick: (tick: Step) => void;
}) {
  const work = useVisitWork();
  const { queue, view, say } = props.run;
  const step = queue[0];
  if (view.run.timed_from_ms == null)
    return (
      <>
        <h2 className="text-[34px] leading-[1.1] font-bold">{work.dog.name} rests</h2>
        <p className="pt-2 text-xl">A hand on the dog, or the dog on the floor. Clocks stand.</p>
      </>
    );
  if (!step)
    return (
      <>
        <h2 className="text-[34px] leading-[1.1] font-bold">All done</h2>
        <Pace run={props.run} />
      </>
    );
  const here = view.at.find((a) => a.step === step.number);
  if (props.isPairOpen)
    return (
      <PairQuestion
        step={step.number}
        what={step.what}
        how={step.pair ?? ''}
        onAlike={props.onAlike}
        onLonger={(longer, by_mm) => say({ event: 'compared', step: step.number, longer, by_mm })}
      />
    );
  const isSmall = step.kind === 'tick';
  const hasSides = here?.zones.some((z) => z.is_pair) === true && here.side_done == null;
  return (
    <>
      {props.renewed && (
        <div className="mb-2 flex items-center gap-2 border-l-4 border-tape pl-2" role="status">
          <p className="flex-1 leading-snug font-bold">{props.renewed.said}</p>
          <Plain onClick={props.renewed.takeBack}>As it was</Plain>
        </div>
      )}
      {isSmall ? (
        <SmallJobs steps={leading(queue)} onTick={props.onTick} />
      ) : (
        <StepCard
          step={step}
          place={here?.place ?? step.stage_label.toLowerCase()}
          told={here?.told ?? []}
        >
          {step.kind === 'comb_test' && <CombTest run={props.run} regions={here?.regions ?? []} />}
          {props.needsTest ? (
            <div className="mt-2 border-t border-line pt-2">
              <p className="text-lg font-bold">Does a comb pass, skin to tip?</p>
              <div className="grid py-1 [&>button]:min-h-16">
                <Plain onClick={props.onPasses}>It runs free everywhere</Plain>
              </div>
              {here?.regions && <CombTest run={props.run} regions={here.regions} />}
              <p>It stops: brush out, or {step.instead ?? 'leave this zone for the blade'}.</p>
            </div>
          ) : (
            hasSides && (
              <div className="grid grid-cols-2 gap-1.5 pt-2" role="group" aria-label="One side">
                {(['left', 'right'] as const).map((hand) => (
                  <Plain
                    key={hand}
                    onClick={() => say({ event: 'one_side_done', step: step.number, hand })}
                  >
                    {hand === 'left' ? 'Left' : 'Right'} side done
                  </Plain>
                ))}
              </div>
            )
          )}
        </StepCard>
      )}
      {work.log.state === 'away' && work.drawnStep !== step.number && (
        <p className="pt-2 text-soft">
          Veliform is away: the sheet does not show where this step works.
        </p>
      )}
      <Pace run={props.run} />
    </>
  );
}

/** The small jobs that stand first. */
function leading(queue: Step[]): Step[] {
  const end = queue.findIndex((s) => s.kind !== 'tick');
  return end < 0 ? queue : queue.slice(0, end);
}
