import { useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { ShowToggles } from '../../shared/sheet/ShowToggles';
import { WorkScreen } from '../../shared/sheet/WorkScreen';
import { BigLink } from '../../shared/ui/BigControl';
import { Choice, MarginHead } from '../../shared/ui/controls';
import { LengthField } from '../../shared/ui/LengthField';
import { lengthText } from '../../shared/units/show';
import { problemOf, useVisitWork } from '../../shared/visit/context';

type Measure = Schemas['Measure'];
type Grade = Schemas['Grade'];

const GRADES: { value: Grade; label: string }[] = [
  { value: 'none', label: 'None' },
  { value: 'slight', label: 'Slight' },
  { value: 'marked', label: 'Marked' },
];
const STANCES: { value: Schemas['Stance']; label: string }[] = [
  { value: 'square', label: 'Yes' },
  { value: 'nearly', label: 'Nearly' },
  { value: 'not_square', label: 'No' },
];
const METHODS: { value: Schemas['Method']; label: string }[] = [
  { value: 'tape', label: 'Tape' },
  { value: 'height_stick', label: 'Stick' },
  { value: 'caliper', label: 'Caliper' },
];
const ORIGINS: Record<Schemas['Origin'], string> = {
  tape: 'by tape',
  height_stick: 'by height stick',
  caliper: 'by caliper',
  felt: 'felt',
  estimated: 'estimated',
};
/** A leg is straight or well bent: one row of five. */
type Bend = 'straight-marked' | 'straight-slight' | 'usual' | 'bent-slight' | 'bent-marked';
const BENDS: { value: Bend; label: string }[] = [
  { value: 'straight-marked', label: 'Very straight' },
  { value: 'straight-slight', label: 'Straight' },
  { value: 'usual', label: 'Usual' },
  { value: 'bent-slight', label: 'Bent' },
  { value: 'bent-marked', label: 'Well bent' },
];

/** Hands-on: height and length first, then the quick eight, then what is felt. */
export function HandsScreen() {
  const work = useVisitWork();
  const [method, setMethod] = useState<Schemas['Method']>('height_stick');
  const { visit } = work.evaluation;
  const quick = work.words.measures.filter((m) => m.is_quick);
  return (
    <WorkScreen
      title="Hands"
      onTouch={(tag) => {
        if (tag.of === 'measure')
          document.querySelector<HTMLInputElement>(`[data-measure="${tag.which}"] input`)?.focus();
      }}
      foot={<ShowToggles names={['landmarks']} />}
      margin={
        <>
          <MarginHead>Measure</MarginHead>
          <Choice label="Got by" options={METHODS} value={method} onChange={setMethod} />
          {quick.map((word) => (
            <MeasureField key={word.measure} word={word} method={method} />
          ))}
          <MarginHead>Stood square?</MarginHead>
          <Choice
            label="Stood square?"
            hideLabel
            options={STANCES}
            value={visit.frame.stance}
            onChange={(stance) => work.say({ kind: 'stance_set', stance })}
          />
          <MarginHead>Felt, by the hand</MarginHead>
          {work.words.felt
            .filter((f) => f.felt !== 'straight_behind' && f.felt !== 'well_bent')
            .map((word) => (
              <div key={word.felt} className="pb-3">
                <p className="font-bold">{word.label}</p>
                <p className="pb-1 text-sm text-soft">{word.how}</p>
                <Choice
                  label={word.label}
                  hideLabel
                  options={GRADES}
                  value={visit.frame.felt[word.felt] ?? null}
                  onChange={(grade) => work.say({ kind: 'felt_set', felt: word.felt, grade })}
                />
              </div>
            ))}
          <BendRow />
        </>
      }
      next={<BigLink to={`/visit/${work.visitId}/coat`}>Feel the coat</BigLink>}
    />
  );
}

function MeasureField(props: { word: Schemas['MeasureWord']; method: Schemas['Method'] }) {
  const work = useVisitWork();
  const { measure, label, how } = props.word;
  const taken = work.evaluation.visit.frame.measures[measure];
  const value = work.evaluation.frame.find((v) => v.measure === measure);
  const { units } = work.house;
  const say = (mm: number | null) => {
    if (mm === null) work.say({ kind: 'measure_cleared', measure });
    else
      work.say({
        kind: 'measure_set',
        measure,
        taken: { value_mm: mm, method: taken?.method ?? usualMethod(measure, props.method) },
      });
  };
  return (
    <div data-measure={measure}>
      <LengthField
        name={`${work.visitId}.${measure}`}
        label={label}
        valueMm={taken?.value_mm ?? null}
        {...(value ? { estimateMm: value.value_mm } : {})}
        units={units}
        onValue={say}
        aside={
          value ? `±${lengthText(value.doubt_mm, units)}, ${ORIGINS[value.origin]}` : undefined
        }
        hint={how}
        problem={problemOf(work, `measure.${label.toLowerCase().replace(/[ -]/g, '_')}`)?.message}
      />
    </div>
  );
}

/** A length along the dog is taped; only heights go on the stick. */
function usualMethod(measure: Measure, chosen: Schemas['Method']): Schemas['Method'] {
  const isHeight = measure.includes('height');
  return chosen === 'height_stick' && !isHeight ? 'tape' : chosen;
}

function BendRow() {
  const work = useVisitWork();
  const { felt } = work.evaluation.visit.frame;
  const straight = felt.straight_behind;
  const bent = felt.well_bent;
  const isAsked = straight !== undefined || bent !== undefined;
  const value: Bend | null = !isAsked
    ? null
    : straight === 'marked' || straight === 'slight'
      ? `straight-${straight}`
      : bent === 'marked' || bent === 'slight'
        ? `bent-${bent}`
        : 'usual';
  const say = (bend: Bend) => {
    const [which, grade] = bend.split('-') as [string, Grade | undefined];
    work.say({
      kind: 'felt_set',
      felt: which === 'bent' ? 'well_bent' : 'straight_behind',
      grade: grade ?? 'none',
    });
    if (bend === 'usual' && bent !== undefined && bent !== 'none')
      work.say({ kind: 'felt_set', felt: 'well_bent', grade: 'none' });
  };
  return (
    <div className="pb-3">
      <p className="font-bold">Bend behind</p>
      <p className="pb-1 text-sm text-soft">Follow the back of the thigh to the hock.</p>
      <Choice
        label="Bend behind"
        hideLabel
        options={BENDS}
        value={value}
        onChange={say}
        columns={5}
      />
    </div>
  );
}
