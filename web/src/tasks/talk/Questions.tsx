import { Choice, type Option } from '../../shared/ui/controls';
import type { Talk, TalkSaid } from './useTalk';

const BODIES: Option<NonNullable<Talk['body']>>[] = [
  { value: 'short', label: 'Short' },
  { value: 'medium', label: 'Soft' },
  { value: 'long', label: 'Long' },
];
const LEGS: Option<NonNullable<Talk['legs']>>[] = [
  { value: 'as_body', label: 'As body' },
  { value: 'fuller', label: 'Fuller' },
  { value: 'big', label: 'Big' },
];
const FACES: Option<NonNullable<Talk['face']>>[] = [
  { value: 'clean', label: 'Clean' },
  { value: 'round', label: 'Round' },
  { value: 'bearded', label: 'Beard' },
  { value: 'natural', label: 'Natural' },
];
const ENDS: Option<NonNullable<Talk['ears']>>[] = [
  { value: 'short', label: 'Short' },
  { value: 'left', label: 'Left' },
];
const MINUTES: Option<number>[] = [5, 15, 30, 60].map((m) => ({ value: m, label: `${m} min` }));
const WEEKS: Option<number>[] = [4, 6, 8, 12].map((w) => ({ value: w, label: `${w}` }));

/** What the owner wants of the head and the legs: the questions that stand before the dog. */
export function BeforeTheDog({ talk, put }: TalkSaid) {
  return (
    <>
      <div data-asks="face_mm">
        <Choice
          label="Face"
          columns={2}
          options={FACES}
          value={talk.face ?? null}
          onChange={(face) => put({ face })}
        />
      </div>
      <div data-asks="ears_mm">
        <Choice
          label="Ears"
          columns={2}
          options={ENDS}
          value={talk.ears ?? null}
          onChange={(ears) => put({ ears })}
        />
      </div>
      <div data-asks="legs_mm">
        <Choice
          label="Legs"
          options={LEGS}
          value={talk.legs ?? null}
          onChange={(legs) => put({ legs })}
        />
      </div>
    </>
  );
}

/** The question that stands over the dog. */
export function OverTheDog({ talk, put }: TalkSaid) {
  return (
    <div data-asks="body_mm">
      <Choice
        label="Body"
        options={BODIES}
        value={talk.body ?? null}
        onChange={(body) => put({ body })}
      />
    </div>
  );
}

/** The tail, and what the owner takes on at home: the questions that stand behind the dog. */
export function BehindTheDog({ talk, put }: TalkSaid) {
  return (
    <>
      <div data-asks="tail_mm">
        <Choice
          label="Tail"
          columns={2}
          options={ENDS}
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
