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
  onPanel: (panel: Panel) => void;
  onKnot: () => void;
  onPut: (reason: string) => void;
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
          onBack={onBack}
        />
      );
    case 'slip':
      return (
        <>
          <SlipPanel
            step={step?.number ?? 0}
            underMm={view.under_comb_mm ?? 0}
            zone={props.slipZone}
            onZone={props.onSlipZone}
            onDone={onBack}
          />
          <div className="pt-3">
            <Plain onClick={onBack}>Back to the step</Plain>
          </div>
        </>
      );
    case 'knot':
      return (
        <>
          <KnotPanel
            step={step?.number ?? 0}
            zone={props.slipZone}
            onZone={props.onSlipZone}
            onSay={say}
            onDone={onBack}
          />
          <Plain onClick={onBack}>Back to the step</Plain>
        </>
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
        <div className="grid gap-2" role="group" aria-label="More">
          <Plain
            onClick={() => {
              say({ event: 'paused' });
              onBack();
            }}
          >
            Break
          </Plain>
          {view.feel_blade_ms != null && (
            <Plain onClick={() => props.onPanel('blade')}>The blade: felt, cooled, swapped</Plain>
          )}
          <Plain onClick={props.onKnot}>A knot here</Plain>
          <Plain onClick={() => props.onPanel('steps')}>Order of the steps</Plain>
          <Plain onClick={() => props.onPanel('tool')}>A tool: oiled, hot, dull, broken</Plain>
          <Plain onClick={() => props.onPanel('end')}>Stop the groom</Plain>
          <Plain onClick={onBack}>Back to the step</Plain>
        </div>
      );
    case 'steps':
      return <StepsPanel run={run} onBack={onBack} />;
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
          onBack={onBack}
        />
      );
    case 'read':
      return (
        <ReadPanel
          step={step?.number ?? 0}
          zones={here?.zones ?? []}
          told={here?.told ?? []}
          onSay={say}
          onBack={onBack}
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
          onBack={onBack}
        />
      );
  }
}
