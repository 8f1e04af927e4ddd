import { useCallback, useState } from 'react';
import type { Schemas } from '../../../shared/api/client';
import type { RunNow } from '../../../shared/run/useRun';
import { WorkScreen } from '../../../shared/sheet/WorkScreen';
import { BigHold } from '../../../shared/ui/BigControl';
import { useHold } from '../../../shared/ui/useHold';
import { clocksOf } from './due';
import { Key, Keys } from './Keys';
import { LargeControl, type Large } from './LargeControl';
import { OtherDogs } from './OtherDogs';
import { Panels, type Panel } from './Panels';
import { StepInHand } from './StepInHand';
import { Strip } from './Strip';
import { useCall } from './useCall';
import { useQuiet } from './useQuiet';
import { useRenewal } from './useRenewal';
import { useStepOnSheet } from './useStepOnSheet';
import { useWaysAhead } from './useWaysAhead';
import { useAwake, usePedal, useReading } from './useTable';

type Step = Schemas['Step'];

/** One step fills the margin; one large control moves on. */
export function AtTable({ run }: { run: RunNow }) {
  const [panel, setPanel] = useState<Panel>('step');
  const [slipZone, setSlipZone] = useState<Schemas['Zone'] | null>(null);
  const [passed, setPassed] = useState<number | null>(null);
  const [pairAsked, setPairAsked] = useState<number | null>(null);
  const [restAfter, setRestAfter] = useState<number | null>(null);
  const [isReading, setReading] = useState(false);
  const { queue, view, say } = run;
  const step = queue[0] ?? null;
  const here = view.at.find((a) => a.step === step?.number);
  // Where a slip is touched, all numbers stand on the sheet.
  useStepOnSheet(
    panel === 'slip' || panel === 'knot' ? null : (step?.number ?? null),
    panel === 'step' && here?.side_done != null,
  );
  const waysAhead = useWaysAhead(run, panel === 'slip' || panel === 'knot' ? slipZone : null);
  const isResting = view.run.timed_from_ms == null;
  const isPairOpen =
    step !== null && step.pair !== '' && pairAsked === step.number && here?.is_compared !== true;
  const renewed = useRenewal(run);
  const untried = (here?.regions ?? []).filter((r) => run.combed[r.region] === undefined);
  const isTried = here?.regions !== undefined && untried.length === 0;
  const needsTest =
    step !== null && step.needs_comb_test === true && passed !== step.number && !isTried;
  useAwake(!isResting);
  useReading(step ? spoken(step) : '', isReading);
  const toStep = useCallback(() => setPanel('step'), []);

  const { blade, rest } = clocksOf(run);
  const isRestDue = rest?.isDue === true && restAfter !== step?.number;
  useCall(
    !isResting && (blade?.isDue === true || isRestDue),
    blade?.isUrgent ?? rest?.isUrgent ?? false,
  );
  const large: Large = isResting
    ? { does: 'go_on' }
    : !step
      ? { does: 'finish' }
      : blade?.isDue
        ? { does: 'blade', clock: blade }
        : isRestDue
          ? { does: 'rest', clock: rest }
          : needsTest
            ? { does: 'test' }
            : isPairOpen
              ? { does: 'pair' }
              : { does: 'done' };

  const quiet = useQuiet(`${step?.number ?? 'none'} ${large.does} ${panel}`);
  const { once } = quiet;
  const passes = useCallback(() => {
    if (!step) return;
    once('The comb runs free', () => {
      for (const { region } of untried) say({ event: 'comb_tried', region, passes: true });
      setPassed(step.number);
    });
  }, [step, once, say, untried]);
  const finish = useCallback((closed: Step) => say({ event: 'done', step: closed.number }), [say]);
  const alike = useCallback(() => {
    if (!step) return;
    once(`Same length. Done: ${brief(step)}`, () => {
      say({ event: 'compared', step: step.number, longer: null });
      finish(step);
    });
  }, [step, once, say, finish]);
  const press = useCallback(() => {
    if (panel !== 'step') return;
    switch (large.does) {
      case 'go_on':
        return once('At work', () => say({ event: 'resumed' }));
      case 'finish':
        return once('Finished', () => say({ event: 'ended', how: 'finished' }));
      case 'blade':
        return setPanel('blade');
      case 'rest':
        return once('The dog rests', () => say({ event: 'paused' }));
      case 'done':
        if (!step) return;
        if (step.pair && pairAsked !== step.number)
          return once('Now compare the pair', () => setPairAsked(step.number));
        return once(`Done: ${brief(step)}`, () => finish(step));
      default:
        return;
    }
  }, [panel, large.does, step, pairAsked, once, say, finish]);
  const hold = useHold(() => {
    if (panel === 'blade')
      once('Blade felt: cool', () => {
        say({ event: 'blade_seen_to', how: 'felt_cool' });
        setPanel('step');
      });
    if (panel !== 'step') return;
    if (large.does === 'test') passes();
    if (large.does === 'pair') alike();
  });
  const last = lastTouched(view, queue);
  const back = useCallback(() => {
    if (panel !== 'step') setPanel('step');
    else if (last !== null) once('Taken up again', () => say({ event: 'reopened', step: last }));
  }, [panel, last, once, say]);
  const isHeld =
    panel === 'blade' || (panel === 'step' && (large.does === 'test' || large.does === 'pair'));
  usePedal({ onNext: press, onBack: back, hold: isHeld ? hold : null });

  const put = (until: Schemas['PutOff'], reason = '') =>
    step &&
    once(`${PUT_OFF[until]}: ${brief(step)}`, () =>
      say({ event: 'put', step: step.number, until, reason }),
    );
  const washes = queue.some((s) => s.kind === 'bath') && step?.kind !== 'bath';
  const toPlace = (which: 'slip' | 'knot') => {
    setSlipZone(step?.zones[0] ?? null);
    setPanel(which);
  };
  return (
    <WorkScreen
      title="Table run"
      isClose={panel === 'step'}
      onTouch={(tag) => {
        if (tag.of === 'zone') setSlipZone(tag.which);
      }}
      foot={
        <>
          <span className="font-mono" data-pace>
            {view.pace}
          </span>
          <OtherDogs />
        </>
      }
      keys={
        <Keys>
          {step && panel === 'step' && !isResting && (
            <>
              <Key onClick={back} disabled={last === null}>
                Undo
              </Key>
              <Key onClick={() => put('later')}>Later</Key>
              <Key onClick={() => toPlace('slip')}>Slip</Key>
              {large.does === 'rest' ? (
                <Key onClick={() => setRestAfter(step.number)}>After this step</Key>
              ) : (
                <Key onClick={() => setPanel('more')}>More</Key>
              )}
            </>
          )}
          {panel !== 'step' && <Key onClick={toStep}>To the step</Key>}
        </Keys>
      }
      margin={
        panel === 'step' ? (
          <StepInHand
            run={run}
            isPairOpen={isPairOpen}
            needsTest={needsTest}
            renewed={renewed}
            onPasses={passes}
            onAlike={alike}
            onTick={(tick) => once(`Done: ${brief(tick)}`, () => finish(tick))}
          />
        ) : (
          <Panels
            panel={panel}
            run={run}
            slipZone={slipZone}
            onSlipZone={setSlipZone}
            ahead={waysAhead(slipZone)}
            onPanel={setPanel}
            onKnot={() => toPlace('knot')}
            onPut={(reason) => put('not_today', reason)}
            onBath={washes ? () => put('in_the_bath') : null}
            aloud={'speechSynthesis' in window ? { isOn: isReading, onTurn: setReading } : null}
            onBack={toStep}
          />
        )
      }
      next={
        <div data-quiet={quiet.said !== null}>
          <Strip run={run} />
          {panel === 'step' && (
            <LargeControl
              large={large}
              quiet={quiet}
              hold={hold}
              onPress={press}
              then={queue[1] && brief(queue[1])}
            />
          )}
          {panel === 'blade' && <BigHold hold={hold}>It is cool</BigHold>}
        </div>
      }
    />
  );
}

const PUT_OFF: Record<Schemas['PutOff'], string> = {
  later: 'Later',
  in_the_bath: 'After the bath',
  not_today: 'Not today',
};

/** Letters of a step's name that the large control has room for. */
const BRIEF = 44;

function brief(step: Step): string {
  const [name = ''] = step.what.split(/[:;]/);
  return name.length > BRIEF ? `${name.slice(0, BRIEF - 1)}…` : name;
}

function spoken(step: Step): string {
  return [step.what, step.tool, step.stroke, step.leaves && `leaves ${step.leaves}`]
    .filter(Boolean)
    .join('. ');
}

/** The step closed last: what *back* takes up again. */
function lastTouched(view: Schemas['RunView'], queue: Step[]): number | null {
  const left = new Set(queue.map((s) => s.number));
  const first = queue[0]?.number ?? Infinity;
  const closed = view.run.steps.filter((s) => !left.has(s.step) && s.state !== 'not_today');
  const before = closed.filter((s) => s.step < first);
  return (before.at(-1) ?? closed.at(-1))?.step ?? null;
}
