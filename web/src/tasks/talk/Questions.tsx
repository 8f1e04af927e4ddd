import type { Schemas } from '../../shared/api/client';
import { Disclosed } from '../../shared/ui/Disclosed';
import { Choice, Plain, Said, type Option } from '../../shared/ui/controls';
import { WrittenLine } from '../../shared/ui/WrittenLine';
import { ZonePicker } from '../../shared/ui/ZonePicker';
import { useRecord } from '../../shared/visit/useRecord';
import { useVisitWork } from '../../shared/visit/context';

type Talk = Schemas['Talk'];

const NOTHING: Talk = {
  body: null,
  legs: null,
  face: null,
  ears: null,
  tail: null,
  brushing_minutes_a_week: null,
  weeks_to_next: null,
  was_too_short: [],
  was_too_long: [],
  words: '',
};
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

/** The six questions, a touch each; then what was liked last time. */
export function Questions() {
  const work = useVisitWork();
  const talk: Talk = { ...NOTHING, ...work.evaluation.visit.talk };
  const put = useRecord(talk, (whole) => work.say({ kind: 'talk_set', talk: whole }));
  return (
    <div className="flex flex-col gap-2">
      <Choice
        label="1 On the body"
        options={BODIES}
        value={talk.body ?? null}
        onChange={(body) => put({ body })}
      />
      <Choice
        label="2 Legs"
        options={LEGS}
        value={talk.legs ?? null}
        onChange={(legs) => put({ legs })}
      />
      <Choice
        label="3 Face"
        options={FACES}
        value={talk.face ?? null}
        onChange={(face) => put({ face })}
      />
      <Choice
        label="4 Ears"
        columns={2}
        options={ENDS}
        value={talk.ears ?? null}
        onChange={(ears) => put({ ears })}
      />
      <Choice
        label="5 Tail"
        columns={2}
        options={ENDS}
        value={talk.tail ?? null}
        onChange={(tail) => put({ tail })}
      />
      <Choice
        label="6 Brushing a week"
        options={MINUTES}
        value={talk.brushing_minutes_a_week ?? null}
        onChange={(brushing_minutes_a_week) => put({ brushing_minutes_a_week })}
      />
      <Choice
        label="and weeks to the next visit"
        options={WEEKS}
        value={talk.weeks_to_next ?? null}
        onChange={(weeks_to_next) => put({ weeks_to_next })}
      />
      <LastTime
        label="Too short last time"
        zones={talk.was_too_short}
        onChange={(was_too_short) => put({ was_too_short })}
      />
      <LastTime
        label="Too long last time"
        zones={talk.was_too_long}
        onChange={(was_too_long) => put({ was_too_long })}
      />
      <WrittenLine
        name={`${work.visitId}.talk.words`}
        label="In the owner’s words"
        value={talk.words}
        onText={(words) => put({ words })}
      />
      {work.evaluation.problems
        .filter((p) => p.field.startsWith('talk.'))
        .map((p) => (
          <Said key={p.field}>{p.message}</Said>
        ))}
    </div>
  );
}

function LastTime(props: {
  label: string;
  zones: Schemas['Zone'][];
  onChange: (zones: Schemas['Zone'][]) => void;
}) {
  const { words } = useVisitWork();
  const name = (zone: Schemas['Zone']) => words.zones.find((z) => z.zone === zone)?.label ?? zone;
  return (
    <Disclosed says={props.label} isOpen={props.zones.length > 0}>
      <ZonePicker
        zones={words.zones.filter((z) => !props.zones.includes(z.zone))}
        value={null}
        onChange={(zone) => props.onChange([...props.zones, zone])}
      />
      <div className="flex flex-wrap gap-1 pt-1">
        {props.zones.map((zone) => (
          <Plain
            key={zone}
            label={`${name(zone)}: take it off the list`}
            onClick={() => props.onChange(props.zones.filter((z) => z !== zone))}
          >
            {name(zone)} ×
          </Plain>
        ))}
      </div>
    </Disclosed>
  );
}
