import { BEND, BENDS, bendOf, gradeOf, type Bend } from '../../shared/dog/bend';
import { Choice } from '../../shared/ui/controls';
import { useVisitWork } from '../../shared/visit/context';
import { Aged } from './StillSo';

export function BendRow() {
  const work = useVisitWork();
  const { felt } = work.evaluation.visit.frame;
  const { straight_behind: straight, well_bent: bent } = felt;
  const say = (bend: Bend) => {
    const [which, grade] = gradeOf(bend);
    work.say({ kind: 'felt_set', felt: which, grade });
    if (bend === 'usual' && bent !== undefined && bent !== 'none')
      work.say({ kind: 'felt_set', felt: 'well_bent', grade: 'none' });
  };
  return (
    <div className="pb-3" data-felt="straight_behind">
      <p className="font-bold">{BEND.label}</p>
      <p className="pb-1 text-sm text-soft">{BEND.how}</p>
      <Choice
        label={BEND.label}
        hideLabel
        options={BENDS}
        value={bendOf(felt)}
        onChange={say}
        columns={5}
      />
      <Aged
        known={{ of: 'felt', which: straight === undefined ? 'well_bent' : 'straight_behind' }}
        label={BEND.label}
      />
    </div>
  );
}
