import { useEffect, useRef, useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { Plain, Said } from '../../shared/ui/controls';
import { lengthText, unitName } from '../../shared/units/show';
import { useVisitWork, type VisitWork } from '../../shared/visit/context';

type Kind = Schemas['DeviceKind'];
type DeviceEvent = Schemas['DeviceEvent'];

/** A device that says nothing for so long has gone quiet, ms. */
const QUIET_AFTER_MS = 5000;

interface Listening {
  kind: Kind;
  said: string;
  battery: number | null;
  trouble: string | null;
  isOn: boolean;
}

/**
 * The stand-ins that ship with the program: a simulated tape and height stick that send readings
 * one by one. Each reading goes to the next measure not taken yet, in the order of the hand.
 */
export function DeviceBar({ order }: { order: Schemas['Finding'][] }) {
  const work = useVisitWork();
  const [state, setState] = useState<Listening | null>(null);
  const stream = useRef<EventSource | null>(null);
  const latest = useRef<VisitWork>(work);
  const deviceOf = new Map(work.words.measures.map((w) => [w.measure, w.device]));
  useEffect(() => {
    latest.current = work;
  });
  useEffect(() => () => stream.current?.close(), []);

  const stop = (trouble: string | null) => {
    stream.current?.close();
    stream.current = null;
    setState((s) => (s && trouble ? { ...s, trouble, isOn: false } : null));
  };
  const start = (kind: Kind) => {
    stream.current?.close();
    const taken = latest.current.evaluation.visit.frame.measures;
    const asked = order
      .filter((f) => f.of === 'measure')
      .map((f) => f.which)
      .filter((m) => !(m in taken) && deviceOf.get(m) === kind);
    setState({ kind, said: 'listening', battery: null, trouble: null, isOn: true });
    if (asked.length === 0) {
      setState({
        kind,
        said: '',
        battery: null,
        trouble: 'Everything it reads is taken already.',
        isOn: false,
      });
      return;
    }
    const query = new URLSearchParams({
      visit: work.visitId,
      ask: asked.join(','),
      seed: String(seedOf(work.dog.id)),
      fault: new URLSearchParams(window.location.search).get('fault') ?? 'none',
    });
    const source = new EventSource(`/api/simulated-devices/${kind}/lines?${query}`);
    stream.current = source;
    const left = [...asked];
    let quiet: ReturnType<typeof setTimeout>;
    const hush = () => {
      clearTimeout(quiet);
      quiet = setTimeout(
        () => stop('It went quiet. Press it again, or go on by hand.'),
        QUIET_AFTER_MS,
      );
    };
    hush();
    source.onmessage = (message: MessageEvent<string>) => {
      hush();
      const event = JSON.parse(message.data) as DeviceEvent;
      if ('sentence' in event) {
        setState((s) => s && { ...s, trouble: event.sentence });
        return;
      }
      if (event.said === 'battery') setState((s) => s && { ...s, battery: event.percent });
      if (event.said !== 'reading') return;
      const measure = left.shift();
      const mm = event.value_mm;
      if (!measure) return;
      latest.current.say({
        kind: 'measure_set',
        measure,
        taken: {
          value_mm: mm,
          method: kind,
          is_confirmed: false,
        },
      });
      const label = latest.current.words.measures.find((w) => w.measure === measure)?.label;
      const { units } = latest.current.house;
      setState((s) => s && { ...s, said: `${label}: ${lengthText(mm, units)} ${unitName(units)}` });
      if (left.length === 0) {
        clearTimeout(quiet);
        stop(null);
      }
    };
    source.onerror = () => {
      clearTimeout(quiet);
      // The stream ends when every measure was asked; readings that did not arrive are said.
      stop(
        left.length === 0
          ? null
          : `${left.length} reading${left.length === 1 ? '' : 's'} did not arrive. Start it again, or go on by hand.`,
      );
    };
  };
  return (
    <div className="mt-3 border border-dashed border-ink p-2">
      <p className="text-sm text-soft">To try without real devices</p>
      <div className="flex gap-2 pt-1">
        {state?.isOn ? (
          <Plain onClick={() => stop(null)}>
            Stop the {state.kind === 'tape' ? 'tape' : 'stick'}
          </Plain>
        ) : (
          <>
            <Plain onClick={() => start('tape')}>Simulated tape</Plain>
            <Plain onClick={() => start('height_stick')}>Simulated stick</Plain>
          </>
        )}
      </div>
      <div aria-live="polite" className="text-sm">
        {state?.said && <p data-device-said>{state.said}</p>}
        {state?.battery != null && (
          <p className={state.battery < 20 ? 'font-bold' : 'text-soft'}>
            Battery {state.battery} %{state.battery < 20 ? ': charge it' : ''}
          </p>
        )}
        {state?.trouble && <Said>{state.trouble}</Said>}
      </div>
    </div>
  );
}

/** The same dog reads the same at every visit. */
function seedOf(id: string): number {
  return parseInt(id.replace(/-/g, '').slice(-8), 16) || 1;
}
