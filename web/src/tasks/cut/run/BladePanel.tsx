import type { Schemas } from '../../../shared/api/client';
import { Plain } from '../../../shared/ui/controls';
import { useVisitWork } from '../../../shared/visit/context';

/** The blade is felt: how it was, and what was done. */
export function BladePanel(props: {
  /** What this salon does with a warm one. */
  warm: string;
  onSeenTo: (how: Schemas['Cooling'], words: string) => void;
}) {
  const { words } = useVisitWork();
  return (
    <div role="group" aria-label="The blade">
      <h2 className="text-[34px] leading-[1.1] font-bold">Feel the blade</h2>
      <p className="py-2 text-2xl leading-snug">On your inner wrist. {props.warm}</p>
      <div className="grid grid-cols-2 gap-2 pb-2 text-xl [&>button]:min-h-20">
        {words.choices.cooling.map(({ value: how, label }) => (
          <Plain key={how} onClick={() => props.onSeenTo(how, label)}>
            {label}
          </Plain>
        ))}
      </div>
    </div>
  );
}
