import type { Schemas } from '../../shared/api/client';
import { Disclosed } from '../../shared/ui/Disclosed';
import { Plain, Said } from '../../shared/ui/controls';
import { WrittenLine } from '../../shared/ui/WrittenLine';
import { ZonePicker } from '../../shared/ui/ZonePicker';
import { useVisitWork } from '../../shared/visit/context';
import type { TalkSaid } from './useTalk';

/** What was liked last time, and what the owner says in their own words. */
export function InTheirWords({ talk, put }: TalkSaid) {
  const work = useVisitWork();
  return (
    <div className="mt-3 flex flex-col gap-2 border-t border-line pt-2">
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
