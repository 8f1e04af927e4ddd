import { Listbox, ListboxButton, ListboxOption, ListboxOptions } from '@headlessui/react';
import type { Schemas } from '../api/client';

/** Chooses a zone by name, for those who do not touch the drawing. */
export function ZonePicker(props: {
  zones: Schemas['ZoneWord'][];
  value: Schemas['Zone'] | null;
  onChange: (zone: Schemas['Zone']) => void;
}) {
  const chosen = props.zones.find((z) => z.zone === props.value);
  return (
    <Listbox
      as="div"
      className="relative"
      value={props.value}
      onChange={(zone) => {
        if (zone) props.onChange(zone);
      }}
    >
      <ListboxButton
        aria-label={chosen ? `Zone: ${chosen.label}` : undefined}
        className="flex min-h-12 w-full items-center justify-between border border-ink bg-sheet px-3 text-left"
        onKeyDown={(e) => {
          // Enter opens it too, as it presses every other control.
          if (e.key === 'Enter') {
            e.preventDefault();
            e.currentTarget.click();
          }
        }}
      >
        {chosen ? chosen.label : 'Touch a number, or choose a zone'}
        <svg viewBox="0 0 12 8" className="h-2 w-3" aria-hidden="true">
          <path d="M1 1l5 6 5-6" fill="none" stroke="currentColor" strokeWidth="2" />
        </svg>
      </ListboxButton>
      {/* Beside its button, not in a portal: what is open belongs to the margin it opens in. */}
      <ListboxOptions
        modal={false}
        className="absolute z-10 max-h-80 w-full overflow-y-auto border border-ink bg-sheet"
      >
        {props.zones.map((zone) => (
          <ListboxOption
            key={zone.zone}
            value={zone.zone}
            className="flex min-h-12 cursor-pointer items-center px-3 data-focus:bg-ink data-focus:text-page data-selected:font-bold"
          >
            {zone.label}
          </ListboxOption>
        ))}
      </ListboxOptions>
    </Listbox>
  );
}
