import type { Schemas } from '../../shared/api/client';
import { MarginHead, Said } from '../../shared/ui/controls';
import { minutesText } from '../../shared/units/show';
import { ComeBack } from '../../shared/visit/ComeBack';
import { useVisitWork } from '../../shared/visit/context';

/** What a look costs at the table and the owner at home. */
export function Cost({ plan }: { plan: Schemas['PlanReport'] }) {
  const { upkeep } = plan;
  const own = useVisitWork().evaluation.visit.own_look?.upkeep;
  return (
    <>
      <MarginHead>What it costs</MarginHead>
      <p>
        At the table: <b>{minutesText(plan.sheet.minutes)}</b>.
      </p>
      <p>
        The owner brushes <b>{upkeep.brushing_minutes_a_week} min</b> a week.
      </p>
      {own && (
        <p>
          Promised with this look: back in {own.weeks_from} to {own.weeks_to} weeks.
        </p>
      )}
      {plan.unmet.map((wish) => (
        <Said key={wish.zone}>{wish.message}</Said>
      ))}
      <ComeBack back={plan.back} />
    </>
  );
}
