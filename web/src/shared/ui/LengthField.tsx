import { useEffect, useId, useRef, useState } from 'react';
import { api, ask, Failure, type Schemas } from '../api/client';
import { lengthText, unitName } from '../units/show';
import { keepText, readText } from '../visit/drafts';
import { Said } from './controls';

/** Kept this long after the last key, ms. */
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

  const settle = (typed: string) => {
    if (typed.trim() === '') {
      keepText(name, null);
      setSorry(null);
      if (valueMm !== null) onValue(null);
      return;
    }
    ask(api.POST('/api/length', { body: { text: typed, units } })).then(
      (read) => {
        keepText(name, null);
        setSorry(null);
        if (read.length_mm !== valueMm) onValue(read.length_mm);
      },
      (error: unknown) => {
        if (error instanceof Failure) setSorry(error.message);
      },
    );
  };
  // What was typed a moment ago is read before the field goes, and when it comes back.
  const settleNow = useRef<() => void>(undefined);
  useEffect(() => {
    settleNow.current = () => {
      if (text !== null && text !== shown) settle(text);
    };
  });
  useEffect(() => {
    settleNow.current?.();
    return () => {
      clearTimeout(timer.current);
      settleNow.current?.();
    };
  }, []);
  const type = (typed: string) => {
    setText(typed);
    keepText(name, typed);
    clearTimeout(timer.current);
    timer.current = setTimeout(() => settle(typed), PAUSE_MS);
  };
  const step = (by: number) => {
    clearTimeout(timer.current);
    const put = (from: number) => {
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
    ask(api.POST('/api/length', { body: { text, units } })).then(
      (read) => put(read.length_mm),
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
            if (text !== null && text !== shown) settle(text);
            if (!sorry) setText(null);
          }}
          onKeyDown={(e) => {
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
