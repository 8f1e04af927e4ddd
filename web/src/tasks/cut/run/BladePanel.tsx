import type { Schemas } from '../../../shared/api/client';
import { Plain } from '../../../shared/ui/controls';

const SEEN_TO: { how: Schemas['Cooling']; label: string }[] = [
  { how: 'felt_cool', label: 'Felt: cool' },
  { how: 'cooled', label: 'Cooled' },
  { how: 'swapped', label: 'Swapped' },
  { how: 'oiled', label: 'Oiled' },
];

/** The blade is felt: how it was, and what was done. */
export function BladePanel(props: {
  /** What this salon does with a warm one. */
  warm: string;
  onSeenTo: (how: Schemas['Cooling'], words: string) => void;
}) {
  return (
    <div role="group" aria-label="The blade">
      <h2 className="text-[34px] leading-[1.1] font-bold">Feel the blade</h2>
      <p className="py-2 text-2xl leading-snug">On your inner wrist. {props.warm}</p>
      <div className="grid grid-cols-2 gap-2 pb-2 text-xl [&>button]:min-h-20">
        {SEEN_TO.map(({ how, label }) => (
          <Plain key={how} onClick={() => props.onSeenTo(how, label)}>
            {label}
          </Plain>
        ))}
      </div>
    </div>
  );
}
