import { Said } from './controls';

/** A line of text under its name, with what is wrong with it. */
export function TextField(props: {
  label: string;
  value: string;
  onChange: (value: string) => void;
  problem?: string | undefined;
  isFirst?: boolean;
  hint?: string;
}) {
  return (
    <label className="block">
      <span className="mb-1 block text-sm text-soft">{props.label}</span>
      <input
        className="h-12 w-full border border-ink bg-sheet px-3 text-lg"
        value={props.value}
        autoFocus={props.isFirst ?? false}
        autoComplete="off"
        onChange={(e) => props.onChange(e.target.value)}
      />
      {props.hint && <span className="block text-sm text-soft">{props.hint}</span>}
      {props.problem && <Said>{props.problem}</Said>}
    </label>
  );
}
