import { Radio, RadioGroup } from '@headlessui/react';
import type { ReactNode } from 'react';

/** A plain control: square, ruled, a finger's size. */
export function Plain(props: {
  onClick: () => void;
  children: ReactNode;
  disabled?: boolean;
  pressed?: boolean;
  label?: string;
}) {
  return (
    <button
      type="button"
      onClick={props.onClick}
      disabled={props.disabled ?? false}
      aria-pressed={props.pressed}
      aria-label={props.label}
      className="min-h-12 min-w-12 border-2 border-ink bg-page px-3 font-bold disabled:border-line disabled:text-soft aria-pressed:taped"
    >
      {props.children}
    </button>
  );
}

export interface Option<T> {
  value: T;
  label: string;
}

/** One of a few, each a finger's size. */
export function Choice<T extends string | number>(props: {
  label: string;
  options: Option<T>[];
  value: T | null;
  onChange: (value: T) => void;
  hideLabel?: boolean;
  columns?: 2 | 3 | 4 | 5;
}) {
  const columns = { 2: 'grid-cols-2', 3: 'grid-cols-3', 4: 'grid-cols-4', 5: 'grid-cols-5' };
  return (
    <RadioGroup
      value={props.value}
      onChange={(value) => {
        if (value !== null) props.onChange(value);
      }}
      aria-label={props.label}
    >
      {!props.hideLabel && <p className="mb-1 text-sm text-soft">{props.label}</p>}
      <div
        className={`grid gap-x-1.5 gap-y-1 ${columns[props.columns ?? (props.options.length === 4 ? 4 : 3)]}`}
      >
        {props.options.map((option) => (
          <Radio
            key={option.value}
            value={option.value}
            className="flex min-h-12 cursor-pointer items-center justify-center border-b-2 border-ink px-1 pb-2.5 text-center leading-tight data-checked:taped"
          >
            {option.label}
          </Radio>
        ))}
      </div>
    </RadioGroup>
  );
}

/** A sentence about something wrong, with what to do. */
export function Said({ children, id }: { children: ReactNode; id?: string }) {
  return (
    <p id={id} role="alert" className="border-l-4 border-pin pl-2 text-sm">
      {children}
    </p>
  );
}

/** A heading in the margin. */
export function MarginHead({ children }: { children: ReactNode }) {
  return (
    <h2 className="mt-4 border-t border-line pt-3 pb-1 text-lg font-bold first:mt-0 first:border-0 first:pt-0">
      {children}
    </h2>
  );
}
