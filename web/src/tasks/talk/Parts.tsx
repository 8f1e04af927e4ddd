import type { Schemas } from '../../shared/api/client';
import { MarginHead, Plain } from '../../shared/ui/controls';
import { useVisitWork } from '../../shared/visit/context';

const WISHES: [Schemas['Wish'], string][] = [
  ['take_off', 'Off'],
  ['leave', 'Left'],
];

/** What if: one touch takes a part off or leaves it, in every look; a second touch takes it back. */
export function Parts({ parts }: { parts: Schemas['PartHere'][] }) {
  const { say } = useVisitWork();
  return (
    <>
      <MarginHead>What if</MarginHead>
      <ul>
        {parts.map(({ part, label, wish, sentence }) => (
          <li key={part} className="border-t border-line py-1">
            <div role="group" aria-label={label} className="flex items-center justify-between">
              <span>{label}</span>
              <span className="flex gap-1">
                {WISHES.map(([value, name]) => (
                  <Plain
                    key={value}
                    pressed={wish === value}
                    label={`${name}: ${label}`}
                    onClick={() =>
                      say({ kind: 'part_wished', part, wish: wish === value ? null : value })
                    }
                  >
                    {name}
                  </Plain>
                ))}
              </span>
            </div>
            {sentence && <p className="text-sm text-soft">{sentence}</p>}
          </li>
        ))}
      </ul>
    </>
  );
}
