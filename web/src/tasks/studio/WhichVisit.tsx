import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { api, ask, type Schemas } from '../../shared/api/client';
import { BigButton, BigLink } from '../../shared/ui/BigControl';
import { Plain, Said } from '../../shared/ui/controls';
import { dayText, daysBetween } from '../../shared/units/show';
import { useToday } from '../../shared/units/useToday';

/** A known dog is on the table: today's visit, or one of before. */
export function WhichVisit(props: {
  dog: Schemas['Dog'];
  last: Schemas['VisitCard'];
  isBeginning: boolean;
  problem: string | null;
  onBegin: () => void;
  onClose: () => void;
}) {
  const { dog, last } = props;
  const today = useToday();
  const here = useQuery({
    queryKey: ['dog', dog.id],
    queryFn: () => ask(api.GET('/api/dogs/{id}', { params: { path: { id: dog.id } } })),
    staleTime: 0,
  });
  const days = daysBetween(last.began_ms, today);
  const visits = here.data?.visits ?? [last];
  return (
    <Dialog open onClose={props.onClose} className="relative z-20">
      <div className="fixed inset-0 flex items-center justify-center bg-page/80 p-4">
        <DialogPanel className="max-h-full w-[380px] max-w-full overflow-y-auto border-2 border-ink bg-sheet p-5">
          <DialogTitle className="text-2xl font-bold">{dog.name}</DialogTitle>
          <p className="pb-3 text-soft">
            {days === 0
              ? 'On the table today already.'
              : `Last here ${days === 1 ? 'yesterday' : `${days} days ago`}.`}
          </p>
          {days === 0 ? (
            <BigLink to={`/visit/${last.id}/hands`}>Go on today</BigLink>
          ) : (
            <BigButton onClick={props.onBegin} disabled={props.isBeginning}>
              Begin today
            </BigButton>
          )}
          {props.problem && <Said>{props.problem}</Said>}
          <h3 className="pt-4 pb-1 font-bold">Look at an earlier visit</h3>
          <ul>
            {visits
              .filter((visit) => days !== 0 || visit.id !== last.id)
              .map((visit) => (
                <li key={visit.id} className="border-t border-line">
                  <Link
                    to={`/visit/${visit.id}/hands`}
                    className="flex min-h-12 items-center font-bold text-chalk underline"
                  >
                    {dayText(visit.began_ms)}
                  </Link>
                </li>
              ))}
          </ul>
          <div className="flex flex-wrap items-center justify-between gap-2 pt-3">
            <Link
              to={`/dog/${dog.id}`}
              className="flex min-h-12 items-center font-bold text-chalk underline"
            >
              Card of {dog.name}
            </Link>
            <Link
              to={`/dog/${dog.id}/life`}
              className="flex min-h-12 items-center font-bold text-chalk underline"
            >
              Its life
            </Link>
            <Plain onClick={props.onClose}>Not now</Plain>
          </div>
        </DialogPanel>
      </div>
    </Dialog>
  );
}
