import type { Entry } from '../visit/model';
import { useVisitWork } from '../visit/context';
import { Plain } from './controls';

/** What was said and could not be kept: shown with why, sent again or put away by hand. */
export function RefusedTray() {
  const { log, sendAgain, putAway } = useVisitWork();
  if (log.refused.length === 0) return null;
  return (
    <section
      aria-label="Not saved"
      className="mt-2 max-h-40 overflow-y-auto border-2 border-ink bg-sheet p-2"
      tabIndex={0}
    >
      <h2 className="font-bold">Not saved, and not lost</h2>
      <ul>
        {log.refused.map(({ entry, why }) => (
          <li
            key={entry.id}
            className="flex flex-wrap items-center gap-2 border-t border-line py-1"
          >
            <span className="min-w-40 flex-1 text-sm">
              <b>{saidText(entry)}</b> {why}
            </span>
            <Plain onClick={() => sendAgain(entry.id)}>Send again</Plain>
            <Plain onClick={() => putAway(entry.id)}>Put away</Plain>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Letters of what was said that have room. */
const MOST = 120;

/** An entry in as few words as it has: its kind, and what it says. */
function saidText({ body }: Entry): string {
  const { kind, ...said } = body;
  const values = JSON.stringify(said)
    .replace(/["{}[\]]/g, ' ')
    .replace(/[_:]/g, ' ')
    .replace(/\s+/g, ' ');
  const text = `${kind.replaceAll('_', ' ')}:${values}`.trim();
  return text.length > MOST ? `${text.slice(0, MOST - 1)}…` : `${text}.`;
}
