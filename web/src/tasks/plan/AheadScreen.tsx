import { useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { Drawing } from '../../shared/sheet/Drawing';
import { WorkScreen } from '../../shared/sheet/WorkScreen';
import { BigLink } from '../../shared/ui/BigControl';
import { Choice, MarginHead } from '../../shared/ui/controls';
import { dayText, daysAfter } from '../../shared/units/show';
import { ComeBack } from '../../shared/visit/ComeBack';
import { useVisitWork } from '../../shared/visit/context';
import { PlanTabs } from './PlanTabs';
import { useAhead } from './useAhead';

const WEEKS = [4, 6, 8, 12].map((value) => ({ value, label: `${value}` }));
const NAMES: Record<Schemas['MomentName'], string> = {
  today: 'Today',
  middle: 'Half way',
  last_day: 'Last day',
};

/** The plan over the weeks to the next visit, and the way to a look that is not there yet. */
export function AheadScreen() {
  const work = useVisitWork();
  const [weeks, setWeeks] = useState<number | null>(null);
  const ahead = useAhead(weeks);
  const on = (days: number) => dayText(daysAfter(work.beganMs, days));
  return (
    <WorkScreen
      title="Weeks ahead"
      sheet={<Moments ahead={ahead} on={on} />}
      margin={
        <>
          <PlanTabs />
          <Choice
            label="Weeks to the next visit"
            options={WEEKS}
            value={ahead?.interval.weeks ?? weeks}
            onChange={setWeeks}
          />
          <ComeBack back={ahead?.interval.back} />
          {ahead && <Way way={ahead.way} on={on} />}
        </>
      }
      next={<BigLink to={`/visit/${work.visitId}/cut`}>Make the cut sheet</BigLink>}
    />
  );
}

function Moments(props: { ahead: Schemas['Ahead'] | null; on: (days: number) => string }) {
  const { ahead } = props;
  if (!ahead) return <p className="flex-1">Letting it grow…</p>;
  return (
    <div className="grid min-h-0 flex-1 auto-cols-fr grid-flow-col gap-2 overflow-y-auto">
      {ahead.interval.moments.map((moment, i) => {
        const drawing = ahead.drawings[i];
        return (
          <article key={moment.name} aria-label={NAMES[moment.name]}>
            {drawing && (
              <div className="bg-sheet">
                <Drawing drawing={drawing} />
              </div>
            )}
            <h2 className="pt-2 text-xl font-bold">{NAMES[moment.name]}</h2>
            <p className="font-mono">{props.on(moment.days)}</p>
            <p>
              {moment.off === 0
                ? 'Every point holds.'
                : `${moment.off} ${moment.off === 1 ? 'point' : 'points'} off.`}
            </p>
            {moment.left.length > 0 && (
              <p className="text-sm text-soft">By then {moment.left.join(', ')}.</p>
            )}
          </article>
        );
      })}
    </div>
  );
}

function Way({ way, on }: { way: Schemas['GrowPlan']; on: (days: number) => string }) {
  return (
    <>
      <MarginHead>The way to it</MarginHead>
      <p>{way.sentence}</p>
      {way.visits.length > 1 && (
        <ol>
          {way.visits.map((visit) => (
            <li key={visit.week} className="border-t border-line py-2">
              <span className="font-mono font-bold">{on(visit.week * 7)}</span>{' '}
              <span className="text-sm text-soft">week {visit.week}</span>
              <span className="block text-sm">{visit.todo}</span>
            </li>
          ))}
        </ol>
      )}
      {way.filled.map((hole) => (
        <p key={hole.zone} className="pt-2 text-sm">
          {hole.sentence}
        </p>
      ))}
    </>
  );
}
