import { useEffect, useId, useRef, useState } from 'react';
import { api, ask, Failure, type Schemas } from '../api/client';
import { lengthText, unitName } from '../units/show';
import { keepText, readText } from '../visit/drafts';
import { Said } from './controls';

/** Read this long after the last key, ms. */
const PAUSE_MS = 160;

interface Props {
  /** Names the field across reloads. */
  name: string;
  label: string;
  valueMm: number | null;
  units: Schemas['UnitSystem'];
  onValue: (mm: number | null) => void;
  /** What stands in the empty field: the estimate in use. */
  estimateMm?: number;
  /** Said lightly beside the label: its doubt and source. */
  aside?: string | undefined;
  hint?: string | undefined;
  problem?: string | undefined;
  stepMm?: number;
  /** Where on the dog it was read, and the most that can stand there. */
  readOn?: { place: string; mostMm: number | null };
  /** Each value is written down for good: only Enter or leaving the field says that it is whole. */
  isForGood?: boolean;
  /** Takes what was typed as it is, with the server away. */
  onAway?: (typed: string) => void;
}

/**
 * A length typed as the stylist says it. The core reads it; what does not read yet is kept as
 * typed, with a sentence beside it.
 */
export function LengthField(props: Props) {
  const { name, units, valueMm, onValue } = props;
  const id = useId();
  const shown = valueMm === null ? '' : lengthText(valueMm, units);
  const [text, setText] = useState<string | null>(() => readText(name));
  const [sorry, setSorry] = useState<string | null>(null);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  /** What was typed last: an answer to anything older comes too late to count. */
  const latest = useRef(text);

  const read = (typed: string) =>
    ask(
      api.POST('/api/length', {
        body: {
          text: typed,
          units,
          read_on: props.readOn?.place ?? null,
          most_mm: props.readOn?.mostMm ?? null,
        },
      }),
    );
  const settle = (typed: string, isDone = false) => {
    if (typed.trim() === '') {
      keepText(name, null);
      setSorry(null);
      if (valueMm !== null) onValue(null);
      return;
    }
    read(typed).then(
      (length) => {
        if (latest.current !== typed) return;
        setSorry(null);
        // A slow hand has its second figure still to come.
        if (props.isForGood && !isDone) return;
        if (props.isForGood) latest.current = null; // Once said, it is not said again.
        keepText(name, null);
        if (length.length_mm !== valueMm) onValue(length.length_mm);
        if (isDone) setText(null);
      },
      (error: unknown) => {
        if (!(error instanceof Failure) || latest.current !== typed) return;
        if (error.kind === 'offline' && props.onAway && isDone) {
          latest.current = null;
          keepText(name, null);
          props.onAway(typed);
        } else setSorry(error.message);
      },
    );
  };
  // What was typed a moment ago is read before the field goes, and when it comes back.
  const settleNow = useRef<(isDone: boolean) => void>(undefined);
  useEffect(() => {
    settleNow.current = (isDone) => {
      if (text !== null && text !== shown && latest.current === text) settle(text, isDone);
    };
  });
  useEffect(() => {
    settleNow.current?.(false);
    return () => {
      clearTimeout(timer.current);
      settleNow.current?.(true);
    };
  }, []);
  const type = (typed: string) => {
    latest.current = typed;
    setText(typed);
    keepText(name, typed);
    clearTimeout(timer.current);
    timer.current = setTimeout(() => settle(typed), PAUSE_MS);
  };
  const step = (by: number) => {
    clearTimeout(timer.current);
    const put = (from: number) => {
      latest.current = null;
      keepText(name, null);
      setText(null);
      setSorry(null);
      onValue(Math.max(0, Math.round(from) + by));
    };
    const hasNewText = text !== null && text !== shown && text.trim() !== '';
    if (!hasNewText) {
      put(valueMm ?? props.estimateMm ?? 0);
      return;
    }
    // What was just typed is stepped from, not what stood there before.
    read(text).then(
      (length) => put(length.length_mm),
      (error: unknown) => {
        if (error instanceof Failure) setSorry(error.message);
      },
    );
  };
  const problem = sorry ?? props.problem;
  return (
    <div className="py-1">
      <div className="flex items-center gap-2">
        <label htmlFor={id} className="min-w-0 flex-1 leading-tight">
          <span className="font-bold">{props.label}</span>
          {props.aside && <span className="block text-sm text-soft">{props.aside}</span>}
        </label>
        <input
          id={id}
          className="h-12 w-24 border border-ink bg-sheet px-2 text-right font-mono text-lg placeholder:text-soft"
          inputMode="decimal"
          data-mm={valueMm ?? undefined}
          autoComplete="off"
          value={text ?? shown}
          placeholder={
            props.estimateMm === undefined ? '' : `~${lengthText(props.estimateMm, units)}`
          }
          aria-describedby={`${id}-hint`}
          aria-invalid={problem ? true : undefined}
          onChange={(e) => type(e.target.value)}
          onBlur={() => {
            clearTimeout(timer.current);
            if (text !== null && text !== shown) settle(text, true);
            else setText(null);
          }}
          // A field touched again is measured again: what stands there is typed over.
          onFocus={(e) => e.currentTarget.select()}
          onKeyDown={(e) => {
            if (e.key === 'Enter' && text !== null && text !== shown) {
              clearTimeout(timer.current);
              settle(text, true);
            }
            if (e.key === 'ArrowUp' || e.key === 'ArrowDown') {
              e.preventDefault();
              step((e.key === 'ArrowUp' ? 1 : -1) * (props.stepMm ?? 1));
            }
          }}
        />
        <span className="w-6 text-sm text-soft">{unitName(units)}</span>
      </div>
      <p id={`${id}-hint`} className="text-sm text-soft">
        {props.hint}
      </p>
      {problem && <Said>{problem}</Said>}
    </div>
  );
}
