import { Choice, type Option } from '../../shared/ui/controls';
import { useVisitWork } from '../../shared/visit/context';
import type { TalkSaid } from './useTalk';

const MINUTES: Option<number>[] = [5, 15, 30, 60].map((m) => ({ value: m, label: `${m} min` }));
const WEEKS: Option<number>[] = [4, 6, 8, 12].map((w) => ({ value: w, label: `${w}` }));

/** What the owner wants of the head and the legs: the questions that stand before the dog. */
export function BeforeTheDog({ talk, put }: TalkSaid) {
  const { faces, ends, legs } = useVisitWork().words.choices;
  return (
    <>
      <div data-asks="face_mm">
        <Choice
          label="Face"
          columns={2}
          options={faces}
          value={talk.face ?? null}
          onChange={(face) => put({ face })}
        />
      </div>
      <div data-asks="ears_mm">
        <Choice
          label="Ears"
          columns={2}
          options={ends}
          value={talk.ears ?? null}
          onChange={(ears) => put({ ears })}
        />
      </div>
      <div data-asks="legs_mm">
        <Choice
          label="Legs"
          options={legs}
          value={talk.legs ?? null}
          onChange={(legs) => put({ legs })}
        />
      </div>
    </>
  );
}

/** The question that stands over the dog. */
export function OverTheDog({ talk, put }: TalkSaid) {
  const { bodies } = useVisitWork().words.choices;
  return (
    <div data-asks="body_mm">
      <Choice
        label="Body"
        options={bodies}
        value={talk.body ?? null}
        onChange={(body) => put({ body })}
      />
    </div>
  );
}

/** The tail, and what the owner takes on at home: the questions that stand behind the dog. */
export function BehindTheDog({ talk, put }: TalkSaid) {
  const { ends } = useVisitWork().words.choices;
  return (
    <>
      <div data-asks="tail_mm">
        <Choice
          label="Tail"
          columns={2}
          options={ends}
          value={talk.tail ?? null}
          onChange={(tail) => put({ tail })}
        />
      </div>
      <Choice
        label="Brushing a week"
        columns={2}
        options={MINUTES}
        value={talk.brushing_minutes_a_week ?? null}
        onChange={(brushing_minutes_a_week) => put({ brushing_minutes_a_week })}
      />
      <Choice
        label="Weeks to the next visit"
        options={WEEKS}
        value={talk.weeks_to_next ?? null}
        onChange={(weeks_to_next) => put({ weeks_to_next })}
      />
    </>
  );
}
