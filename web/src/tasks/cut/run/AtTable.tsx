import { useCallback, useState } from 'react';
import type { Schemas } from '../../../shared/api/client';
import type { RunNow } from '../../../shared/run/useRun';
import { WorkScreen } from '../../../shared/sheet/WorkScreen';
import { BigButton } from '../../../shared/ui/BigControl';
import { Plain } from '../../../shared/ui/controls';
import { useVisitWork } from '../../../shared/visit/context';
import { Clocks, Pace } from './Clocks';
import { EndPanel } from './EndPanel';
import { NotePanel } from './NotePanel';
import { PairQuestion } from './PairQuestion';
import { PutPanel } from './PutPanel';
import { ReadPanel } from './ReadPanel';
import { SlipPanel } from './SlipPanel';
import { SmallJobs, StepCard } from './StepCard';
import { StepsPanel } from './StepsPanel';
import { ToolPanel } from './ToolPanel';
import { useStepOnSheet } from './useStepOnSheet';
import { useAwake, usePedal, useReading } from './useTable';

type Step = Schemas['Step'];
type Zone = Schemas['Zone'];
type Panel = 'step' | 'slip' | 'end' | 'note' | 'put' | 'steps' | 'read' | 'tool' | 'more';

/** One step fills the margin; one large control moves on. */
export function AtTable({ run }: { run: RunNow }) {
  const work = useVisitWork();
  const [panel, setPanel] = useState<Panel>('step');
  const [slipZone, setSlipZone] = useState<Zone | null>(null);
  const [passed, setPassed] = useState<number | null>(null);
  const [pairAsked, setPairAsked] = useState<number | null>(null);
  const [isReading, setReading] = useState(false);
  const { queue, view, say } = run;
  const step = queue[0] ?? null;
  const here = view.at.find((a) => a.step === step?.number);
  const told = here?.told ?? [];
  // Where a slip is touched, all numbers stand on the sheet.
  useStepOnSheet(
    panel === 'slip' ? null : (step?.number ?? null),
    panel === 'step' && here?.side_done != null,
  );
  const isResting = view.run.timed_from_ms == null;
  const isSmall = step?.kind === 'tick';
  const needsTest = step !== null && step.needs_comb_test === true && passed !== step.number;
  const isPairOpen =
    step !== null && step.pair !== '' && pairAsked === step.number && here?.is_compared !== true;
  useAwake(!isResting);
  useReading(step ? spoken(step) : '', isReading);
  const toStep = () => setPanel('step');

  const next = useCallback(() => {
    if (panel !== 'step') return;
    if (isResting) say({ event: 'resumed' });
    else if (!step) say({ event: 'ended', how: 'finished' });
    else if (needsTest) setPassed(step.number);
    else if (step.pair && pairAsked !== step.number) setPairAsked(step.number);
    else {
      if (isPairOpen) say({ event: 'compared', step: step.number, longer: null });
      say({ event: 'done', step: step.number });
    }
  }, [panel, isResting, step, needsTest, isPairOpen, pairAsked, say]);
  const last = lastTouched(view, queue);
  const back = useCallback(() => {
    if (panel !== 'step') setPanel('step');
    else if (last !== null) say({ event: 'reopened', step: last });
  }, [panel, last, say]);
  usePedal(next, back);

  const put = (until: Schemas['PutOff'], reason = '') =>
    step && say({ event: 'put', step: step.number, until, reason });
  const washes = queue.some((s) => s.kind === 'bath') && step?.kind !== 'bath';
  const toSlip = () => {
    setSlipZone(step?.zones[0] ?? null);
    setPanel('slip');
  };
  const body = () => {
    if (panel === 'slip')
      return (
        <>
          <SlipPanel zone={slipZone} onZone={setSlipZone} onDone={toStep} />
          <div className="pt-3">
            <Plain onClick={toStep}>Back to the step</Plain>
          </div>
        </>
      );
    if (panel === 'end')
      return (
        <EndPanel
          visitId={work.visitId}
          onEnd={(how, reason) => say({ event: 'ended', how, reason })}
          onBack={toStep}
        />
      );
    if (panel === 'more')
      return (
        <div className="grid gap-2" role="group" aria-label="More">
          <Plain
            onClick={() => {
              say({ event: 'paused' });
              toStep();
            }}
          >
            Break
          </Plain>
          <Plain onClick={() => setPanel('steps')}>Order of the steps</Plain>
          <Plain onClick={() => setPanel('tool')}>A tool: oiled, hot, dull, broken</Plain>
          <Plain onClick={() => setPanel('end')}>Stop the groom</Plain>
          <Plain onClick={toStep}>Back to the step</Plain>
        </div>
      );
    if (panel === 'steps') return <StepsPanel run={run} onBack={toStep} />;
    if (isResting)
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
          <Pace run={run} />
        </>
      );
    if (panel === 'note')
      return (
        <NotePanel
          visitId={work.visitId}
          onNote={(text) => {
            say({ event: 'noted', step: step.number, text });
            toStep();
          }}
          onBack={toStep}
        />
      );
    if (panel === 'put')
      return (
        <PutPanel
          what={step.what}
          onPut={(reason) => {
            put('not_today', reason);
            toStep();
          }}
          onBack={toStep}
        />
      );
    if (panel === 'read')
      return (
        <ReadPanel
          step={step.number}
          zones={here?.zones ?? []}
          told={told}
          onRead={(zone, hand, left_mm) =>
            say({ event: 'measured', step: step.number, zone, hand, left_mm })
          }
          onBack={toStep}
        />
      );
    if (panel === 'tool')
      return (
        <ToolPanel
          inHand={step.tool_id ?? null}
          onNote={(tool, word) => {
            say({ event: 'tool_noted', tool, word });
            toStep();
          }}
          onBack={toStep}
        />
      );
    if (isPairOpen)
      return (
        <PairQuestion
          step={step.number}
          what={step.what}
          how={step.pair ?? ''}
          onCompared={(longer, by_mm) =>
            say({ event: 'compared', step: step.number, longer, by_mm })
          }
        />
      );
    const hasSides = here?.zones.some((z) => z.is_pair) === true && here.side_done == null;
    return (
      <>
        {isSmall ? (
          <SmallJobs
            steps={leading(queue)}
            onTick={(tick) => say({ event: 'done', step: tick.number })}
          />
        ) : (
          <StepCard step={step} place={here?.place ?? step.stage_label.toLowerCase()} told={told}>
            {needsTest ? (
              <div className="mt-2 border-t border-line pt-2">
                <p className="text-lg font-bold">Does a comb pass, skin to tip?</p>
                <p>It stops: brush out, or {instead(step)}.</p>
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
        {queue[1] && !isSmall && <p className="pt-2 text-soft">Then: {queue[1].what}.</p>}
        <Clocks run={run} />
        <Pace run={run} />
      </>
    );
  };
  return (
    <WorkScreen
      title="Table run"
      isWide
      onTouch={(tag) => {
        if (tag.of !== 'zone') return;
        setSlipZone(tag.which);
      }}
      foot={
        <>
          <span className="font-mono" data-pace>
            {view.pace}
          </span>
          {'speechSynthesis' in window && (
            <Plain onClick={() => setReading(!isReading)} pressed={isReading}>
              Aloud
            </Plain>
          )}
        </>
      }
      margin={body()}
      next={
        <>
          {step && panel === 'step' && !isResting && (
            <div
              className="grid grid-cols-4 gap-1.5 pb-2 [&>button]:px-1 [&>button]:leading-tight"
              role="group"
              aria-label="Or"
            >
              <Plain onClick={back} disabled={last === null}>
                Back
              </Plain>
              <Plain onClick={() => put('later')}>Later</Plain>
              <Plain onClick={() => put('in_the_bath')} disabled={!washes}>
                Bath
              </Plain>
              <Plain onClick={() => setPanel('put')}>Not today</Plain>
              <Plain onClick={() => setPanel('note')}>Note</Plain>
              <Plain onClick={toSlip}>Slip</Plain>
              <Plain onClick={() => setPanel('read')} disabled={(here?.zones.length ?? 0) === 0}>
                Measure
              </Plain>
              <Plain onClick={() => setPanel('more')}>More</Plain>
            </div>
          )}
          <BigButton onClick={next} disabled={panel !== 'step'}>
            {isResting
              ? 'Go on'
              : !step
                ? 'Finish'
                : needsTest
                  ? 'Comb passes'
                  : isPairOpen
                    ? 'Alike'
                    : 'Done'}
          </BigButton>
        </>
      }
    />
  );
}

function spoken(step: Step): string {
  return [step.what, step.tool, step.stroke, step.leaves && `leaves ${step.leaves}`]
    .filter(Boolean)
    .join('. ');
}

/** The bare blade the sheet names, as it stands in a sentence. */
function instead(step: Step): string {
  return step.instead?.replace(/^If the comb stops: /, '') ?? 'leave this zone for the blade';
}

/** The small jobs that stand first. */
function leading(queue: Step[]): Step[] {
  const end = queue.findIndex((s) => s.kind !== 'tick');
  return end < 0 ? queue : queue.slice(0, end);
}

/** The step closed last: what *back* takes up again. */
function lastTouched(view: Schemas['RunView'], queue: Step[]): number | null {
  const left = new Set(queue.map((s) => s.number));
  const first = queue[0]?.number ?? Infinity;
  const closed = view.run.steps.filter((s) => !left.has(s.step) && s.state !== 'not_today');
  const before = closed.filter((s) => s.step < first);
  return (before.at(-1) ?? closed.at(-1))?.step ?? null;
}
