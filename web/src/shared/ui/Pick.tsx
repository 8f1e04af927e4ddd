import { Listbox, ListboxButton, ListboxOption, ListboxOptions } from '@headlessui/react';

/** Near the end of a margin what opens is brought into sight. */
function intoView(options: HTMLElement | null) {
  options?.scrollIntoView({ block: 'nearest' });
}

/** One of many by its name, where they are too many to lie side by side. */
export function Pick<T extends string | null>(props: {
  label: string;
  hideLabel?: boolean;
  options: { value: T; label: string }[];
  /** The one chosen; where none of the options is, `asks` stands in its place. */
  value: T | null;
  asks?: string;
  onPick: (value: T) => void;
}) {
  const { label, options } = props;
  const chosen = options.find((option) => option.value === props.value);
  return (
    <Listbox
      as="div"
      className="relative"
      value={chosen ?? null}
      onChange={(option) => {
        if (option) props.onPick(option.value);
      }}
    >
      {!props.hideLabel && (
        <p className="pt-1 text-sm text-soft" aria-hidden="true">
          {label}
        </p>
      )}
      <ListboxButton
        aria-label={`${label}: ${chosen?.label ?? props.asks ?? 'not chosen'}`}
        className="flex min-h-12 w-full items-center justify-between gap-2 border border-ink bg-sheet px-3 text-left"
        onKeyDown={(e) => {
          // Enter opens it too, as it presses every other control.
          if (e.key === 'Enter') {
            e.preventDefault();
            e.currentTarget.click();
          }
        }}
      >
        {chosen?.label ?? props.asks}
        <svg viewBox="0 0 12 8" className="h-2 w-3 shrink-0" aria-hidden="true">
          <path d="M1 1l5 6 5-6" fill="none" stroke="currentColor" strokeWidth="2" />
        </svg>
      </ListboxButton>
      {/* Beside its button, not in a portal: what is open belongs to the margin it opens in. */}
      <ListboxOptions
        modal={false}
        ref={intoView}
        className="absolute z-10 max-h-80 w-full overflow-y-auto border border-ink bg-sheet"
      >
        {options.map((option) => (
          <ListboxOption
            key={option.value ?? ''}
            value={option}
            data-value={option.value}
            className="flex min-h-12 cursor-pointer items-center px-3 data-focus:bg-ink data-focus:text-page data-selected:font-bold"
          >
            {option.label}
          </ListboxOption>
        ))}
      </ListboxOptions>
    </Listbox>
  );
}
