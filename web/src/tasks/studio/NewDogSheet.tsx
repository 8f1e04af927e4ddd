import { api, ask } from '../../shared/api/client';
import { useHouse } from '../../shared/api/salon';
import { Drawing } from '../../shared/sheet/Drawing';
import { besideOptions } from '../../shared/sheet/beside';
import { useAnswer } from '../../shared/visit/useAnswer';
import { dogOf, type Draft } from './newDog';

/** Asked once nothing has changed for so long, ms. */
const AFTER_MS = 30;

/** The dog as it was said so far, standing on the table: it changes with every touch. */
export function NewDogSheet({ draft }: { draft: Draft }) {
  const house = useHouse();
  const said: Draft = { ...draft, name: '', owner: '', handling: '' };
  const dog = { ...dogOf(said, null), name: 'New dog' };
  const drawing = useAnswer(
    { dog, entries: [], options: OPTIONS, ...(house.data && { house: house.data }) },
    AFTER_MS,
    async (body) => (await ask(api.POST('/api/evaluate', { body }))).drawing,
  );
  return <div className="min-h-0 flex-1 bg-sheet">{drawing && <Drawing drawing={drawing} />}</div>;
}

const OPTIONS = { ...besideOptions({ now: true, plan: false }), text_share: 0.0172 };
