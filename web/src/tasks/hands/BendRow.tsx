import type { Schemas } from '../../shared/api/client';
import { Choice } from '../../shared/ui/controls';
import { useVisitWork } from '../../shared/visit/context';
import { Aged } from './StillSo';

/** A leg is straight or well bent: one row of five. */
type Bend = 'straight-marked' | 'straight-slight' | 'usual' | 'bent-slight' | 'bent-marked';
const BENDS: { value: Bend; label: string }[] = [
  { value: 'straight-marked', label: 'Very straight' },
  { value: 'straight-slight', label: 'Straight' },
  { value: 'usual', label: 'Usual' },
  { value: 'bent-slight', label: 'Bent' },
  { value: 'bent-marked', label: 'Well bent' },
];

export function BendRow() {
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
    const [which, grade] = bend.split('-') as [string, Schemas['Grade'] | undefined];
    work.say({
      kind: 'felt_set',
      felt: which === 'bent' ? 'well_bent' : 'straight_behind',
      grade: grade ?? 'none',
    });
    if (bend === 'usual' && bent !== undefined && bent !== 'none')
      work.say({ kind: 'felt_set', felt: 'well_bent', grade: 'none' });
  };
  return (
    <div className="pb-3" data-felt="straight_behind">
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
      <Aged
        known={{ of: 'felt', which: straight === undefined ? 'well_bent' : 'straight_behind' }}
        label="Bend behind"
      />
    </div>
  );
}
