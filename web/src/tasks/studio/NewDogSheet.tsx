import type { Schemas } from '../../shared/api/client';
import { useHouse } from '../../shared/api/salon';
import { useCore } from '../../shared/api/useCore';
import { Drawing } from '../../shared/sheet/Drawing';
import { besideOptions } from '../../shared/sheet/beside';
import { dogOf, type Draft, readOf } from './newDog';

/** Asked once nothing has changed for so long, ms. */
const AFTER_MS = 30;

/** What the core makes of the dog as it was said so far. */
export function useNewDog(
  draft: Draft,
  asked: Schemas['Finding'] | null,
): Schemas['Evaluation'] | null {
  const house = useHouse();
  const said: Draft = { ...draft, name: '', owner: '', handling: '' };
  const dog = { ...dogOf(said, null), name: 'New dog' };
  const entries = readOf(draft).map((body, n) => ({
    id: `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`,
    at_ms: n,
    author: '',
    body,
  }));
  return useCore(
    '/api/evaluate',
    { dog, entries, options: { ...OPTIONS, asked }, ...(house.data && { house: house.data }) },
    AFTER_MS,
  ).answer;
}

/** The dog, standing on the table: it changes with every touch. */
export function NewDogSheet({ drawing }: { drawing: Schemas['Drawing'] | undefined }) {
  return <div className="min-h-0 flex-1 bg-sheet">{drawing && <Drawing drawing={drawing} />}</div>;
}

const OPTIONS = { ...besideOptions({ now: true, plan: false }), text_share: 0.0172 };
