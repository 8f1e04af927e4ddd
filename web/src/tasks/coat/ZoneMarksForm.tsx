import { Tick } from '../../shared/ui/Tick';
import { useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { Disclosed } from '../../shared/ui/Disclosed';
import { Choice, Plain, Said } from '../../shared/ui/controls';
import { LengthField } from '../../shared/ui/LengthField';
import { problemOf, useVisitWork } from '../../shared/visit/context';
import { NO_MARKS } from '../../shared/visit/marks';
import { useRecord } from '../../shared/visit/useRecord';

/** What a zone carries beside its length and knots. */
export function ZoneMarksForm(props: {
  zone: Schemas['Zone'];
  label: string;
  /** Waits for a touch on the sheet. */
  onTouchNext: (put: ((spot: Schemas['Spot']) => void) | null) => void;
}) {
  const { zone, label } = props;
  const work = useVisitWork();
  const [isWaiting, setWaiting] = useState(false);
  const { coat } = work.evaluation.visit;
  const marks: Schemas['ZoneMarks'] = coat.marks?.[zone] ?? NO_MARKS;
  const { units } = work.house;
  const put = useRecord(marks, (whole) => work.say({ kind: 'marks_set', zone, marks: whole }));
  const length = (
    name: keyof Schemas['ZoneMarks'] & `${string}_mm`,
    text: string,
    hint?: string,
  ) => (
    <LengthField
      name={`${work.visitId}.${name}.${zone}`}
      label={text}
      valueMm={marks[name]}
      units={units}
      onValue={(mm) => put({ [name]: mm })}
      hint={hint}
    />
  );
  const problem = problemOf(work, `marks.${label}`);
  return (
    <Disclosed says="Holes, patches, waves, lay, lock" isOpen={marks !== NO_MARKS}>
      {length(
        'knot_from_skin_mm',
        'Knots begin',
        'From the skin: further out than the plan goes with the cut.',
      )}
      {length('hole_mm', 'Hole', 'How short a spot already is.')}
      <div className="flex flex-wrap gap-2 pb-2">
        <Plain
          pressed={isWaiting}
          onClick={() => {
            setWaiting(!isWaiting);
            props.onTouchNext(
              isWaiting
                ? null
                : (hole_at) => {
                    setWaiting(false);
                    put({ hole_at });
                  },
            );
          }}
        >
          {isWaiting ? 'Touch the spot on the dog' : 'Show where'}
        </Plain>
        {marks.hole_at && (
          <Plain onClick={() => put({ hole_at: null })}>Nowhere in particular</Plain>
        )}
      </div>
      <Choice
        label="Lay of the hair"
        options={work.words.choices.lays}
        columns={2}
        value={marks.lay}
        onChange={(lay) => put({ lay })}
      />
      <Choice
        label="Patch of another colour"
        options={work.words.choices.patches}
        value={marks.patch}
        onChange={(patch) => put({ patch })}
      />
      {marks.patch !== 'none' &&
        length(
          'tone_edge_mm',
          'Edge of the patch',
          'How high over the table it ends on the side: a line near it is kept off it.',
        )}
      <Tick
        label="Whorl: turn the tool and even up"
        value={marks.has_whorl}
        onChange={(has_whorl) => put({ has_whorl })}
      />
      <Tick
        label="Stained"
        value={marks.is_stained}
        onChange={(is_stained) => put({ is_stained })}
      />
      <Tick
        label="Waves: thinned flat where they are left long"
        value={marks.has_waves}
        onChange={(has_waves) => put({ has_waves })}
      />
      <Choice
        label="Texture here"
        options={work.words.textures.map((t) => ({ value: t.texture, label: t.label }))}
        value={marks.texture ?? coat.texture}
        onChange={(texture) => put({ texture })}
      />
      {length('drawn_out_mm', 'Lock, drawn out')}
      {length('standing_mm', 'Lock, settled', 'Both give the stand measured here.')}
      {problem && <Said>{problem.message}</Said>}
    </Disclosed>
  );
}
