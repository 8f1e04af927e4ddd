import type { Schemas } from '../../shared/api/client';
import { Said } from '../../shared/ui/controls';
import { NumberField } from '../../shared/ui/NumberField';
import { problemOf, useVisitWork } from '../../shared/visit/context';
import { ORIGINS } from './MeasureField';
import { Aged } from './StillSo';

/** One angle in degrees; those that only follow from the landmarks are shown, not typed. */
export function AngleField({ word, canPart }: { word: Schemas['AngleWord']; canPart: boolean }) {
  const work = useVisitWork();
  const { angle, label, how, field, reference } = word;
  const taken = work.evaluation.visit.frame.angles?.[angle];
  const value = work.evaluation.angles.find((v) => v.angle === angle);
  const problem = problemOf(work, field);
  const put = (change: Partial<Schemas['TakenAngle']>) =>
    work.say({
      kind: 'angle_set',
      angle,
      taken: {
        degrees: taken?.degrees ?? 0,
        right_degrees: taken?.right_degrees ?? null,
        method: 'angle_rule',
        ...change,
      },
    });
  const drawn = value ? Math.round(value.degrees) : null;
  return (
    <div className="py-1" data-angle={angle}>
      <div className="flex items-center gap-2">
        <span className="min-w-0 flex-1 leading-tight">
          <span className="font-bold">{label}</span>
          {value && (
            <span className="block text-sm text-soft">
              ±{Math.round(value.doubt_degrees)}°, {ORIGINS[value.origin]}
              {value.right_degrees != null && `; right ${Math.round(value.right_degrees)}°`}
            </span>
          )}
        </span>
        {word.can_be_taken ? (
          <Degrees
            name={`${work.visitId}.angle.${angle}`}
            label={label}
            value={taken?.degrees ?? null}
            estimate={drawn}
            onValue={(degrees) =>
              degrees === null ? work.say({ kind: 'angle_cleared', angle }) : put({ degrees })
            }
          />
        ) : (
          <span className="w-24 pr-2 text-right font-mono text-lg">{drawn}</span>
        )}
        <span className="w-6 text-sm text-soft">°</span>
      </div>
      <Aged known={{ of: 'angle', which: angle }} label={label} />
      {canPart && taken && angle.includes('turnout') && (
        <div className="flex items-center gap-2">
          <span className="flex-1 text-sm">{label}, right, where it differs</span>
          <Degrees
            name={`${work.visitId}.angle.${angle}.right`}
            label={`${label}, right`}
            value={taken.right_degrees ?? null}
            estimate={taken.degrees}
            onValue={(right_degrees) => put({ right_degrees })}
          />
          <span className="w-6 text-sm text-soft">°</span>
        </div>
      )}
      <p className="text-sm text-soft">
        {word.can_be_taken ? `${how} ` : ''}
        {reference}
      </p>
      {problem && <Said>{problem.message}</Said>}
    </div>
  );
}

function Degrees(props: {
  name: string;
  label: string;
  value: number | null;
  estimate: number | null;
  onValue: (degrees: number | null) => void;
}) {
  return (
    <NumberField
      name={props.name}
      label={`${props.label}, degrees`}
      hideLabel
      value={props.value}
      placeholder={props.estimate === null ? '' : `~${Math.round(props.estimate)}`}
      example="105"
      onNumber={props.onValue}
    />
  );
}
