import { useEffect, useRef, useState } from 'react';
import type { Schemas } from '../api/client';

type Kind = Schemas['DeviceKind'];
type DeviceEvent = Schemas['DeviceEvent'];

/** A device that says nothing for so long has gone quiet, ms. */
const QUIET_AFTER_MS = 5000;

export interface Listening {
  kind: Kind;
  said: string;
  battery: number | null;
  trouble: string | null;
  isOn: boolean;
}

/** What a device is started with. */
export interface Asked {
  kind: Kind;
  /** What it is asked for, in the words of its address. */
  query: Record<string, string>;
  /** How many readings are to come. */
  count: number;
  /** Takes a reading in, the first being 0; says it back. */
  onReading: (nth: number, mm: number) => string;
}

/** A device that sends readings one by one, and what is heard of it. */
export function useDevice() {
  const [heard, setHeard] = useState<Listening | null>(null);
  const stream = useRef<EventSource | null>(null);
  useEffect(() => () => stream.current?.close(), []);

  const stop = (trouble: string | null) => {
    stream.current?.close();
    stream.current = null;
    setHeard((s) => (s && trouble ? { ...s, trouble, isOn: false } : null));
  };
  const start = (ask: Asked) => {
    stream.current?.close();
    const { kind, count } = ask;
    if (count === 0) {
      const trouble = 'Everything it reads is taken already.';
      setHeard({ kind, said: '', battery: null, trouble, isOn: false });
      return;
    }
    setHeard({ kind, said: 'listening', battery: null, trouble: null, isOn: true });
    const query = new URLSearchParams({
      ...ask.query,
      fault: new URLSearchParams(window.location.search).get('fault') ?? 'none',
    });
    const source = new EventSource(`/api/simulated-devices/${kind}/lines?${query}`);
    stream.current = source;
    let taken = 0;
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
        setHeard((s) => s && { ...s, trouble: event.sentence });
        return;
      }
      if (event.said === 'battery') setHeard((s) => s && { ...s, battery: event.percent });
      if (event.said !== 'reading' || taken >= count) return;
      const said = ask.onReading(taken, event.value_mm);
      taken += 1;
      setHeard((s) => s && { ...s, said });
      if (taken === count) {
        clearTimeout(quiet);
        stop(null);
      }
    };
    source.onerror = () => {
      clearTimeout(quiet);
      const left = count - taken;
      // The stream ends when every measure was asked; readings that did not arrive are said.
      stop(
        left === 0
          ? null
          : `${left} reading${left === 1 ? '' : 's'} did not arrive. Start it again, or go on by hand.`,
      );
    };
  };
  return { heard, start, stop };
}

/** The same dog reads the same at every visit. */
export function seedOf(id: string): string {
  return String(parseInt(id.replace(/-/g, '').slice(-8), 16) || 1);
}
