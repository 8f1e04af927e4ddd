import type { Schemas } from '../../shared/api/client';
import { MarginHead, Said } from '../../shared/ui/controls';
import { minutesText } from '../../shared/units/show';

/** What a look costs at the table and the owner at home. */
export function Cost({ plan }: { plan: Schemas['PlanReport'] }) {
  const { upkeep } = plan;
  return (
    <>
      <MarginHead>What it costs</MarginHead>
      <p>
        At the table: <b>{minutesText(plan.sheet.minutes)}</b>.
      </p>
      <p>
        The owner brushes <b>{upkeep.brushing_minutes_a_week} min</b> a week.
      </p>
      <p>
        Back in{' '}
        <b>
          {upkeep.weeks_from} to {upkeep.weeks_to}
        </b>{' '}
        weeks.
      </p>
      {plan.unmet.map((wish) => (
        <Said key={wish.zone}>{wish.message}</Said>
      ))}
    </>
  );
}
