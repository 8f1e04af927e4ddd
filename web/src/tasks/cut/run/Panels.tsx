import { Link } from 'react-router';
import type { Schemas } from '../../../shared/api/client';
import type { RunNow } from '../../../shared/run/useRun';
import { Plain } from '../../../shared/ui/controls';
import { useVisitWork } from '../../../shared/visit/context';
import { BladePanel } from './BladePanel';
import { EndPanel } from './EndPanel';
import { KnotPanel } from './KnotPanel';
import { NotePanel } from './NotePanel';
import { PutPanel } from './PutPanel';
import { ReadPanel } from './ReadPanel';
import { SlipPanel } from './SlipPanel';
import { HowOf } from './StepCard';
import { StepsPanel } from './StepsPanel';
import { ToolPanel } from './ToolPanel';

export type Panel =
  'step' | 'blade' | 'slip' | 'knot' | 'end' | 'note' | 'put' | 'steps' | 'read' | 'tool' | 'more';

/** What else can be said at a step, each in the margin's place. */
export function Panels(props: {
  panel: Exclude<Panel, 'step'>;
  run: RunNow;
  slipZone: Schemas['Zone'] | null;
  onSlipZone: (zone: Schemas['Zone']) => void;
  /** Ways out at that zone, worked out before. */
  ahead: Schemas['WaysAhead'] | null;
  onPanel: (panel: Panel) => void;
  onKnot: () => void;
  onPut: (reason: string) => void;
  /** Puts the step off until the bath; nothing where no bath is to come. */
  onBath: (() => void) | null;
  /** Reading aloud, where the device can. */
  aloud: { isOn: boolean; onTurn: (on: boolean) => void } | null;
  onBack: () => void;
}) {
  const work = useVisitWork();
  const { run, onBack } = props;
  const { view, say } = run;
  const step = run.queue[0] ?? null;
  const here = view.at.find((a) => a.step === step?.number);
  switch (props.panel) {
    case 'blade':
      return (
        <BladePanel
          warm={view.run.sheet.warm_blade ?? ''}
          onSeenTo={(how) => {
            say({ event: 'blade_seen_to', how });
            onBack();
          }}
        />
      );
    case 'slip':
      return (
        <SlipPanel
          step={step?.number ?? 0}
          underMm={view.under_comb_mm ?? 0}
          ahead={props.ahead}
          zone={props.slipZone}
          onZone={props.onSlipZone}
          onDone={onBack}
        />
      );
    case 'knot':
      return (
        <KnotPanel
          step={step?.number ?? 0}
          ahead={props.ahead}
          zone={props.slipZone}
          onZone={props.onSlipZone}
          onSay={say}
          onDone={onBack}
        />
      );
    case 'end':
      return (
        <EndPanel
          visitId={work.visitId}
          onEnd={(how, reason) => say({ event: 'ended', how, reason })}
          onBack={onBack}
        />
      );
    case 'more':
      return (
        <div
          className="grid grid-cols-2 gap-2 [&>button]:min-h-16 [&>button]:text-lg"
          role="group"
          aria-label="More"
        >
          {step && (
            <div className="col-span-2">
              <HowOf step={step} />
            </div>
          )}
          <Plain onClick={props.onKnot}>A knot here</Plain>
          <Plain onClick={() => props.onPanel('read')} disabled={(here?.zones.length ?? 0) === 0}>
            Measure
          </Plain>
          <Plain onClick={() => props.onPanel('note')}>Note</Plain>
          <Plain onClick={() => props.onPanel('put')}>Not today</Plain>
          <Plain
            onClick={() => {
              props.onBath?.();
              onBack();
            }}
            disabled={props.onBath === null}
          >
            After the bath
          </Plain>
          <Plain
            onClick={() => {
              say({ event: 'paused' });
              onBack();
            }}
          >
            Rest
          </Plain>
          {view.feel_blade_ms != null && (
            <Plain onClick={() => props.onPanel('blade')}>The blade: felt, cooled, swapped</Plain>
          )}
          <Plain onClick={() => props.onPanel('steps')}>Order of the steps</Plain>
          <Plain onClick={() => props.onPanel('tool')}>A tool: oiled, hot, dull, broken</Plain>
          {props.aloud && (
            <Plain
              onClick={() => props.aloud?.onTurn(!props.aloud.isOn)}
              pressed={props.aloud.isOn}
            >
              Aloud
            </Plain>
          )}
          <Plain onClick={() => props.onPanel('end')}>Stop the groom</Plain>
          <Elsewhere visit={work.visitId} />
        </div>
      );
    case 'steps':
      return <StepsPanel run={run} />;
    case 'note':
      return (
        <NotePanel
          visitId={work.visitId}
          borne={view.run.steps.find((s) => s.step === step?.number)?.borne ?? null}
          onTook={(borne) => {
            if (step) say({ event: 'took', step: step.number, borne });
            onBack();
          }}
          onNote={(text) => {
            if (step) say({ event: 'noted', step: step.number, text });
            onBack();
          }}
          onBack={onBack}
        />
      );
    case 'put':
      return (
        <PutPanel
          what={step?.what ?? ''}
          onPut={(reason) => {
            props.onPut(reason);
            onBack();
          }}
        />
      );
    case 'read':
      return (
        <ReadPanel
          step={step?.number ?? 0}
          zones={here?.zones ?? []}
          told={here?.told ?? []}
          onSay={say}
        />
      );
    case 'tool':
      return (
        <ToolPanel
          inHand={step?.tool_id ?? null}
          onNote={(tool, word) => {
            say({ event: 'tool_noted', tool, word });
            onBack();
          }}
        />
      );
  }
}

/** The tape leads nowhere at the table; here it does. */
function Elsewhere({ visit }: { visit: string }) {
  return (
    <nav aria-label="Elsewhere" className="col-span-2 pt-2">
      <p className="text-sm text-soft">Elsewhere: the groom goes on.</p>
      <ul className="grid grid-cols-4 gap-2">
        {PAGES.map(([name, path]) => (
          <li key={name}>
            <Link
              to={path === null ? '/' : `/visit/${visit}/${path}`}
              className="flex min-h-16 items-center justify-center border border-ink text-center text-lg"
            >
              {name}
            </Link>
          </li>
        ))}
      </ul>
    </nav>
  );
}

const PAGES = [
  ['All dogs', null],
  ['Hands', 'hands'],
  ['Coat', 'coat'],
  ['Plan', 'plan'],
] as const;
