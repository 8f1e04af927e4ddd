/** Something that is so or not, a finger's size. */
export function Tick(props: { label: string; value: boolean; onChange: (value: boolean) => void }) {
  return (
    <label className="flex min-h-12 items-center gap-3">
      <input
        type="checkbox"
        className="size-10 shrink-0"
        checked={props.value}
        onChange={(e) => props.onChange(e.target.checked)}
      />
      {props.label}
    </label>
  );
}
