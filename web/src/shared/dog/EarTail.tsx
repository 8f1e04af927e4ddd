import type { Schemas } from '../api/client';
import { Choice } from '../ui/controls';

type Ear = Schemas['EarKind'];
type Tail = Schemas['TailKind'];

/** How ears and tail are carried; none where they are as its kind has them. */
export function EarTail(props: {
  words: Schemas['Catalogue'];
  ear: Ear | null;
  tail: Tail | null;
  onEar: (ear: Ear) => void;
  onTail: (tail: Tail) => void;
}) {
  return (
    <>
      <Choice
        label="Ears"
        options={props.words.choices.ears}
        value={props.ear}
        onChange={props.onEar}
      />
      <Choice
        label="Tail"
        options={props.words.choices.tails}
        value={props.tail}
        onChange={props.onTail}
      />
    </>
  );
}
