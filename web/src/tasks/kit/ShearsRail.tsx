import { useChoices, wordOf } from '../../shared/api/choices';
import type { Schemas } from '../../shared/api/client';
import type { House } from '../../shared/api/salon';
import { HungShears } from './HungShears';
import { shearsName } from '../../shared/kit/shears';

/** Shears on their rail, by their own length, the shortest first; nothing where none hangs. */
export function ShearsRail(props: {
  shears: Schemas['Shears'][];
  units: House['units'];
  chosen: string | null;
  onChoose: (id: string) => void;
}) {
  const { shears_states } = useChoices();
  if (props.shears.length === 0) return null;
  const hung = [...props.shears].sort((a, b) => a.long_mm - b.long_mm);
  return (
    <div className="bg-sheet px-4 pb-4">
      <ul
        aria-label="Shears"
        className="ml-12 flex flex-wrap gap-x-2 gap-y-4 border-t-4 border-ink"
      >
        {hung.map((pair) => {
          const state = pair.state ?? 'sharp';
          const isChosen = pair.id === props.chosen;
          return (
            <li key={pair.id}>
              <button
                type="button"
                aria-pressed={isChosen}
                onClick={() => props.onChoose(pair.id)}
                className="min-h-12 w-28 pb-1 text-center leading-tight aria-pressed:taped"
              >
                <HungShears pair={pair} />
                <span className="block font-bold">
                  {shearsName(pair, props.units)}
                  <span className="sr-only"> shears</span>
                </span>
                {state !== 'sharp' && (
                  <span className={`block text-sm ${isChosen ? '' : 'text-pin'}`}>
                    {wordOf(shears_states, state).toLowerCase()}
                  </span>
                )}
              </button>
            </li>
          );
        })}
      </ul>
    </div>
  );
}
