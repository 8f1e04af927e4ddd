import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { useParams } from 'react-router';
import { api, ask, Failure } from '../../shared/api/client';
import { Drawing } from '../../shared/sheet/Drawing';
import { BigLink } from '../../shared/ui/BigControl';
import { MarginHead, Said } from '../../shared/ui/controls';
import { FailedPage, LoadingPage } from '../../shared/ui/states';
import { PageHead } from '../../shared/ui/PageHead';
import { dayText, minutesText } from '../../shared/units/show';

/** A kept plan opens exactly as it was, with its method and date. */
export function KeptPlanScreen() {
  const { plan: id = '' } = useParams();
  const kept = useQuery({
    queryKey: ['plan', id],
    queryFn: () => ask(api.GET('/api/plans/{id}', { params: { path: { id } } })),
  });
  const name = kept.data?.plan.dog.name;
  useEffect(() => {
    document.title = `${name ?? 'Saved plan'} · Veliform`;
  }, [name]);
  if (kept.error instanceof Failure)
    return <FailedPage failure={kept.error} again={() => void kept.refetch()} />;
  if (!kept.data) return <LoadingPage />;
  const { plan, newer } = kept.data;
  return (
    <div className="screen flex h-full flex-col">
      <PageHead>
        {plan.dog.name}, saved {dayText(plan.at_ms)}
      </PageHead>
      <main className="flex min-h-0 flex-1 max-[800px]:flex-col max-[800px]:overflow-y-auto">
        <div className="min-w-0 flex-1 p-3 pr-0">
          <div className="h-full bg-sheet">
            <Drawing drawing={plan.drawing} />
          </div>
        </div>
        <div className="flex w-[326px] shrink-0 flex-col p-3 pl-4 max-[800px]:w-full">
          <div className="min-h-0 flex-1 overflow-y-auto" tabIndex={0}>
            <h2 className="text-2xl font-bold">{plan.report.look_name}</h2>
            <p className="text-soft">
              {plan.report.right} of {plan.report.balance.length} points right,{' '}
              {minutesText(plan.report.sheet.minutes)}.
            </p>
            <p className="text-soft">Method: {plan.method}.</p>
            {newer ? <Said>{newer}</Said> : <p>Today’s method gives the same.</p>}
            <ol className="pt-3">
              {plan.report.reasons.map((reason, i) => (
                <li key={reason.judged} className="flex gap-3 pb-3">
                  <span className="font-mono font-bold text-pin">{i + 1}</span>
                  <span>
                    {reason.fault}
                    <span className="block text-sm text-soft">{reason.remedy}</span>
                  </span>
                </li>
              ))}
            </ol>
            <MarginHead>Lengths</MarginHead>
            <dl className="grid grid-cols-[1fr_auto] text-sm">
              {plan.report.units.map((unit) => (
                <div key={unit.unit} className="contents">
                  <dt>{unit.label}</dt>
                  <dd className="font-mono font-bold">{unit.text}</dd>
                </div>
              ))}
            </dl>
          </div>
          <BigLink to="/">To all dogs</BigLink>
        </div>
      </main>
    </div>
  );
}
