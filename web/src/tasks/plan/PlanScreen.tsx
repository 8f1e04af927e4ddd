import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { Schemas } from '../../shared/api/client';
import { useCore } from '../../shared/api/useCore';
import { ShowToggles } from '../../shared/sheet/ShowToggles';
import { ViewChoice } from '../../shared/sheet/ViewChoice';
import { EmptyKit } from '../../shared/kit/EmptyKit';
import { WorkScreen } from '../../shared/sheet/WorkScreen';
import { BigLink } from '../../shared/ui/BigControl';
import { MarginHead, Said } from '../../shared/ui/controls';
import { ZonePicker } from '../../shared/ui/ZonePicker';
import { minutesText } from '../../shared/units/show';
import { useVisitWork } from '../../shared/visit/context';
import { KnotsAgain, KnotWays } from './KnotWays';
import { PlanTabs } from './PlanTabs';
import { PointTable } from './PointTable';
import { ReasonList } from './ReasonList';
import { useWhatIf, ZoneTrial } from './ZoneTrial';
import { SecondLength } from './SecondLength';

/** The plan: what stays off and why, and what one touch on a zone would do. */
export function PlanScreen() {
  const work = useVisitWork();
  const navigate = useNavigate();
  const [zone, setZone] = useState<Schemas['Zone'] | null>(null);
  const trial = useWhatIf();
  const { plan } = work;
  const [point, setPoint] = useState<Schemas['Judged'] | null>(null);
  const row = plan?.balance.find((r) => r.judged === point) ?? null;
  const moved = usePointDrawing(row);
  const drawing = trial.answer?.drawing ?? moved;
  return (
    <WorkScreen
      title="Plan"
      {...(drawing ? { drawing } : {})}
      chosen={zone ? { of: 'zone', which: zone } : null}
      onTouch={(tag) => {
        if (tag.of === 'zone') {
          trial.drop();
          setZone(tag.which);
        } else if (tag.of === 'pin') {
          document.querySelector<HTMLElement>(`[data-reason="${tag.which}"]`)?.focus();
        } else if (tag.of === 'line') {
          void navigate(`/visit/${work.visitId}/lines?line=${tag.which}`);
        }
      }}
      foot={
        <>
          <ViewChoice />
          <ShowToggles names={['settled', 'ideal', 'landmarks']} />
        </>
      }
      margin={
        plan && (
          <>
            <PlanTabs />
            <EmptyKit />
            <Verdict plan={plan} />
            <ReasonList reasons={plan.reasons} />
            <KnotWays zones={plan.knots ?? []} />
            <KnotsAgain parts={work.knotsAgain} />
            {plan.unmet.map((wish) => (
              <Said key={wish.zone}>{wish.message}</Said>
            ))}
            <SecondLength second={plan.second_length ?? null} />
            <MarginHead>This coat</MarginHead>
            <ul className="list-outside list-disc pl-5">
              {plan.truths?.map((truth) => (
                <li key={truth}>{truth}</li>
              ))}
            </ul>
            <MarginHead>What if</MarginHead>
            <ZonePicker
              zones={work.words.zones}
              value={zone}
              onChange={(z) => {
                trial.drop();
                setZone(z);
              }}
            />
            {zone && <ZoneTrial zone={zone} plan={plan} trial={trial} />}
            <PointTable
              rows={plan.balance}
              zones={work.words.zones}
              chosen={point}
              onChoose={setPoint}
            />
          </>
        )
      }
      next={<BigLink to={`/visit/${work.visitId}/cut`}>Make the cut sheet</BigLink>}
    />
  );
}

/** The plan with a point as the eye sees it, in its own view, and what moves it; nothing where none is chosen. */
function usePointDrawing(row: Schemas['BalanceRow'] | null): Schemas['Drawing'] | null {
  const { desk, options } = useVisitWork();
  const shown = row && {
    ...options,
    point: row.judged,
    layers: { ...options.layers, lines: false, pins: false },
    sheet: options.sheet === 'four' ? ('four' as const) : row.view,
  };
  const body = shown && { desk: { ...desk, options: shown }, reasons: false };
  const { answer } = useCore('/api/plan', body);
  return row && answer ? answer.evaluation.drawing : null;
}

function Verdict({ plan }: { plan: Schemas['PlanReport'] }) {
  const changes = plan.sheet.tool_changes;
  return (
    <>
      <h2 className="text-2xl font-bold">{plan.look_name}</h2>
      <p className="text-soft">
        <b className="text-ink">{plan.reads}</b>{' '}
        <span data-right={plan.right}>
          {plan.right} of {plan.balance.length - (plan.wished ?? 0)} points right
          {plan.wished ? `, ${plan.wished} as the owner wants` : ''}.
        </span>
      </p>
      <p className="text-soft">
        <b className="font-mono text-ink">{minutesText(plan.sheet.minutes)}</b>, {changes}{' '}
        {changes === 1 ? 'change' : 'changes'} of tool. The owner brushes{' '}
        {plan.upkeep.brushing_minutes_a_week} min a week.
      </p>
      {!plan.is_exact && <Said>The solve stopped early; lengths may be off by a little.</Said>}
    </>
  );
}
