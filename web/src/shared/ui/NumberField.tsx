import { useId, useState } from 'react';
import { keepText, readText } from '../visit/drafts';
import { Said } from './controls';

/**
 * A plain number, as it is said: with a comma or a point. What is no number stays as typed, over a
 * reload too, with a sentence beside it.
 */
export function NumberField(props: {
  /** Names the field across reloads. */
  name: string;
  label: string;
  /** The label is written elsewhere. */
  hideLabel?: boolean;
  aside?: string;
  unit?: string;
  value: number | null;
  /** What holds while nothing is typed. */
  placeholder?: string;
  /** A number that would be understood. */
  example: string;
  onNumber: (value: number | null) => void;
  problem?: string | undefined;
}) {
  const { name, value } = props;
  const id = useId();
  const shown = value === null ? '' : String(value);
  const [text, setText] = useState<string | null>(() => readText(name));
  const read = numberOf(text ?? shown);
  const isNonsense = read === undefined;
  const type = (typed: string) => {
    setText(typed);
    keepText(name, typed);
  };
  const settle = () => {
    if (text === null || read === undefined) return;
    keepText(name, null);
    setText(null);
    if (read !== value) props.onNumber(read);
  };
  return (
    <div className="py-1">
      <div className="flex items-center gap-2">
        <label
          htmlFor={id}
          className={props.hideLabel ? 'sr-only' : 'min-w-0 flex-1 leading-tight'}
        >
          <span className="font-bold">{props.label}</span>
          {props.aside && <span className="block text-sm text-soft">{props.aside}</span>}
        </label>
        <input
          id={id}
          className="h-12 w-24 border border-ink bg-sheet px-2 text-right font-mono text-lg placeholder:text-soft"
          inputMode="decimal"
          autoComplete="off"
          value={text ?? shown}
          placeholder={props.placeholder ?? ''}
          aria-invalid={isNonsense || props.problem ? true : undefined}
          onFocus={(e) => e.currentTarget.select()}
          onChange={(e) => type(e.target.value)}
          onBlur={settle}
          onKeyDown={(e) => {
            if (e.key === 'Enter') settle();
          }}
        />
        {props.unit !== undefined && <span className="w-6 text-sm text-soft">{props.unit}</span>}
      </div>
      {isNonsense ? (
        <Said>
          “{text}” is not a number; type one such as {props.example}.
        </Said>
      ) : (
        props.problem && <Said>{props.problem}</Said>
      )}
    </div>
  );
}

/** The number a text says; null where it is empty, undefined where it is none. */
export function numberOf(text: string): number | null | undefined {
  if (text.trim() === '') return null;
  const value = Number(text.trim().replace(',', '.'));
  return Number.isFinite(value) ? value : undefined;
}
