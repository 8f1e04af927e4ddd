import { useCallback, useEffect, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import type { Schemas } from '../../../shared/api/client';
import { WorkScreen } from '../../../shared/sheet/WorkScreen';
import { BigButton, BigLink } from '../../../shared/ui/BigControl';
import { Choice, Plain } from '../../../shared/ui/controls';
import { useKeptText } from '../../../shared/visit/useKeptText';
import { minutesText } from '../../../shared/units/show';
import { useVisitWork } from '../../../shared/visit/context';
import { Clocks, Pace } from './Clocks';
import { EndPanel } from './EndPanel';
import { SlipPanel } from './SlipPanel';
import { SmallJobs, StepCard } from './StepCard';
import { useRun, type RunNow } from '../../../shared/run/useRun';
import { useAwake, usePedal, useReading } from './useTable';

type Step = Schemas['Step'];
type Zone = Schemas['Zone'];

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

/** This dog's own cautions, once a visit, before anything is done. */
function FirstRead({ run }: { run: RunNow }) {
  const read = useCallback(() => run.say({ event: 'cautions_seen' }), [run]);
  usePedal(read, () => undefined);
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
      next={<BigButton onClick={read}>Read</BigButton>}
    />
  );
}

type Panel = 'step' | 'slip' | 'end' | 'note';

function AtTable({ run }: { run: RunNow }) {
  const work = useVisitWork();
  const [panel, setPanel] = useState<Panel>('step');
  const [slipZone, setSlipZone] = useState<Zone | null>(null);
  const [passed, setPassed] = useState<number | null>(null);
  const [isReading, setReading] = useState(false);
  const { queue, view, say } = run;
  const step = queue[0] ?? null;
  // Where a slip is touched, all numbers stand on the sheet.
  useStepOnSheet(panel === 'slip' ? null : (step?.number ?? null));
  const isResting = view.run.timed_from_ms == null;
  const isSmall = step?.kind === 'tick';
  const needsTest = step !== null && step.needs_comb_test === true && passed !== step.number;
  useAwake(!isResting);
  useReading(step ? spoken(step) : '', isReading);

  const next = useCallback(() => {
    if (panel !== 'step') return;
    if (isResting) say({ event: 'resumed' });
    else if (!step) say({ event: 'ended', how: 'finished' });
    else if (needsTest) setPassed(step.number);
    else say({ event: 'done', step: step.number });
  }, [panel, isResting, step, needsTest, say]);
  const last = lastTouched(view, queue);
  const back = useCallback(() => {
    if (panel !== 'step') setPanel('step');
    else if (last !== null) say({ event: 'reopened', step: last });
  }, [panel, last, say]);
  usePedal(next, back);

  const put = (until: Schemas['PutOff']) => step && say({ event: 'put', step: step.number, until });
  const washes = queue.some((s) => s.kind === 'bath') && step?.kind !== 'bath';
  const place = step
    ? `step ${step.number} of ${view.run.steps.length}, ${step.stage_label.toLowerCase()}`
    : '';
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
      margin={
        panel === 'slip' ? (
          <>
            <SlipPanel zone={slipZone} onZone={setSlipZone} onDone={() => setPanel('step')} />
            <div className="pt-3">
              <Plain onClick={() => setPanel('step')}>Back to the step</Plain>
            </div>
          </>
        ) : panel === 'end' ? (
          <EndPanel
            visitId={work.visitId}
            onEnd={(how, reason) => say({ event: 'ended', how, reason })}
            onBack={() => setPanel('step')}
          />
        ) : panel === 'note' && step ? (
          <NotePanel
            visitId={work.visitId}
            onNote={(text) => {
              say({ event: 'noted', step: step.number, text });
              setPanel('step');
            }}
            onBack={() => setPanel('step')}
          />
        ) : isResting ? (
          <>
            <h2 className="text-[34px] leading-[1.1] font-bold">{work.dog.name} rests</h2>
            <p className="pt-2 text-xl">
              A hand on the dog, or the dog on the floor. Clocks stand.
            </p>
          </>
        ) : step ? (
          <>
            {isSmall ? (
              <SmallJobs
                steps={leading(queue)}
                onTick={(tick) => say({ event: 'done', step: tick.number })}
              />
            ) : (
              <StepCard step={step} place={place} />
            )}
            {queue[1] && !isSmall && <p className="pt-2 text-soft">Then: {queue[1].what}.</p>}
            {needsTest && (
              <div className="mt-2 border-t border-line pt-2">
                <p className="text-lg font-bold">Does a comb pass, skin to tip?</p>
                <p>It stops: brush out, or {instead(step)}.</p>
              </div>
            )}
            <Clocks run={run} />
            <Pace run={run} />
          </>
        ) : (
          <>
            <h2 className="text-[34px] leading-[1.1] font-bold">All done</h2>
            <Pace run={run} />
          </>
        )
      }
      next={
        <>
          {step && panel === 'step' && !isResting && (
            <div className="grid grid-cols-4 gap-1.5 pb-2" role="group" aria-label="Or">
              <Plain onClick={() => put('later')}>Later</Plain>
              <Plain onClick={() => put('in_the_bath')} disabled={!washes}>
                Bath
              </Plain>
              <Plain onClick={() => put('not_today')}>Not today</Plain>
              <Plain onClick={back} disabled={last === null}>
                Back
              </Plain>
              <Plain onClick={() => setPanel('note')}>Note</Plain>
              <Plain
                onClick={() => {
                  setSlipZone(step.zones[0] ?? null);
                  setPanel('slip');
                }}
              >
                Slip
              </Plain>
              <Plain onClick={() => say({ event: 'paused' })}>Break</Plain>
              <Plain onClick={() => setPanel('end')}>Stop</Plain>
            </div>
          )}
          <BigButton onClick={next} disabled={panel !== 'step'}>
            {isResting ? 'Go on' : !step ? 'Finish' : needsTest ? 'Comb passes' : 'Done'}
          </BigButton>
        </>
      }
    />
  );
}

function NotePanel(props: { visitId: string; onNote: (text: string) => void; onBack: () => void }) {
  const [text, setText] = useKeptText(`${props.visitId}.step-note`);
  return (
    <>
      <label className="block">
        <span className="text-[28px] leading-tight font-bold">Note at this step</span>
        <textarea
          className="mt-2 block w-full border border-ink bg-sheet p-2 text-lg"
          rows={3}
          maxLength={200}
          value={text}
          onChange={(e) => setText(e.target.value)}
        />
      </label>
      <div className="grid grid-cols-2 gap-2 pt-3">
        <Plain
          onClick={() => {
            props.onNote(text);
            setText('');
          }}
          disabled={text.trim() === ''}
        >
          Write it down
        </Plain>
        <Plain onClick={props.onBack}>Back</Plain>
      </div>
    </>
  );
}

/** The groom is over: what was done, what was not, how long it took. */
function Over({ run }: { run: RunNow }) {
  const work = useVisitWork();
  const { view } = run;
  const { ended, steps, notes } = view.run;
  useStepOnSheet(null);
  const done = steps.filter((s) => s.state === 'done').length;
  const open = steps.filter((s) => s.state === 'open');
  const what = (n: number) => view.run.sheet.steps.find((s) => s.number === n)?.what ?? '';
  return (
    <WorkScreen
      title="Table run"
      isWide
      margin={
        <>
          <h2 className="text-[34px] leading-[1.1] font-bold">{OVER[ended?.how ?? 'finished']}</h2>
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
          <h3 className="mt-3 border-t border-line pt-2 text-lg font-bold">Minutes</h3>
          <ul>
            {steps
              .filter((s) => s.minutes >= 0.5)
              .map((s) => (
                <li key={s.step} className="flex justify-between gap-2">
                  <span>{what(s.step)}</span>
                  <span className="font-mono">{Math.round(s.minutes)}</span>
                </li>
              ))}
          </ul>
          {open[0] && (
            <div className="pt-3">
              <Plain onClick={() => open[0] && run.say({ event: 'reopened', step: open[0].step })}>
                Go on after all
              </Plain>
            </div>
          )}
        </>
      }
      next={<BigLink to={`/visit/${work.visitId}/check`}>Check</BigLink>}
      foot={
        <Link className="flex min-h-12 items-center underline" to={`/visit/${work.visitId}/cut`}>
          Cut sheet
        </Link>
      }
    />
  );
}

const REASONS: { value: Schemas['OverReason']; label: string }[] = [
  { value: 'moved', label: 'Moved' },
  { value: 'knots', label: 'Knots' },
  { value: 'break', label: 'Break' },
  { value: 'tool', label: 'Tool' },
  { value: 'interruption', label: 'Disturbed' },
  { value: 'owner', label: 'Owner' },
];

/** One reason for each step that ran over. */
function RanOver({ run }: { run: RunNow }) {
  const { ran_over: over } = run.view;
  if (over.length === 0) return null;
  return (
    <>
      <h3 className="mt-3 border-t border-line pt-2 text-lg font-bold">Took longer: why?</h3>
      {over.map((step) => (
        <div key={step.step} className="py-2">
          <Choice
            label={step.words}
            options={REASONS}
            value={step.reason ?? null}
            onChange={(reason) => run.say({ event: 'ran_over', step: step.step, reason })}
          />
        </div>
      ))}
    </>
  );
}

const OVER: Record<Schemas['RunEnd'], string> = {
  finished: 'Finished',
  vet_first: 'Broken off: vet first',
  dog_had_enough: 'Broken off: enough for today',
  taken_away: 'Broken off: taken away',
};

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

/** The sheet shows where the step works: its number stands in the address. */
function useStepOnSheet(step: number | null) {
  const [search, setSearch] = useSearchParams();
  const shown = search.get('step');
  const wanted = step === null ? null : String(step);
  useEffect(() => {
    if (shown === wanted) return;
    setSearch(
      (now) => {
        const next = new URLSearchParams(now);
        if (wanted === null) next.delete('step');
        else next.set('step', wanted);
        return next;
      },
      { replace: true },
    );
  }, [shown, wanted, setSearch]);
}
