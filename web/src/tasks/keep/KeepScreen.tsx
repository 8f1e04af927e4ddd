import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { api, ask } from '../../shared/api/client';
import { WorkScreen } from '../../shared/sheet/WorkScreen';
import { BigLink } from '../../shared/ui/BigControl';
import { MarginHead, Plain, Said } from '../../shared/ui/controls';
import { useKeptText } from '../../shared/visit/useKeptText';
import { dayText } from '../../shared/units/show';
import { ComeBack } from '../../shared/visit/ComeBack';
import { useVisitWork } from '../../shared/visit/context';
import { AtTheTable } from './AtTheTable';
import { BeforeAfter } from './BeforeAfter';
import { CardForHome } from './CardForHome';
import { RecordForm } from './RecordForm';

/** The dog goes home: the day to come back, the card, the groom in words; what is kept: plans as they were, notes for the next colleague, the dog file. */
export function KeepScreen() {
  const work = useVisitWork();
  const { visitId } = work;
  const plans = useQuery({
    queryKey: ['plans', visitId, work.evaluation.visit.plans.length],
    queryFn: () =>
      ask(api.GET('/api/visits/{visit}/plans', { params: { path: { visit: visitId } } })),
  });
  return (
    <WorkScreen
      title="Going home"
      isWide
      margin={
        <>
          <ComeBack
            back={work.plan?.back}
            onAgree={(days) => work.say({ kind: 'return_agreed', days })}
          />
          <CardForHome />
          <RecordForm />
          <AtTheTable />
          <BeforeAfter />
          <Notes />
          <MarginHead>Saved plans</MarginHead>
          {plans.error && <Said>{plans.error.message}</Said>}
          {plans.data?.length === 0 && <p>None yet. The cut sheet keeps one.</p>}
          <ul>
            {plans.data?.map((plan) => (
              <li key={plan.id}>
                {plan.problem != null && (
                  <p className="border-t border-line py-2 text-sm">
                    {dayText(plan.at_ms)}: {plan.problem}
                  </p>
                )}
                {plan.problem == null && (
                  <Link
                    to={`/plan/${plan.id}`}
                    className="block min-h-12 border-t border-line py-2"
                  >
                    <span className="block font-bold text-chalk underline">{plan.look_name}</span>
                    <span className="block text-sm text-soft">
                      {dayText(plan.at_ms)}, {plan.right} of {plan.points} right
                    </span>
                  </Link>
                )}
              </li>
            ))}
          </ul>
          <MarginHead>Take it along</MarginHead>
          <a
            className="flex min-h-12 items-center font-bold text-chalk underline"
            href={`/api/dogs/${work.dog.id}/file`}
            download
          >
            Dog file with all visits
          </a>
        </>
      }
      next={<BigLink to="/">Next dog</BigLink>}
    />
  );
}

function Notes() {
  const work = useVisitWork();
  const field = `${work.visitId}.note`;
  const [text, change] = useKeptText(field);
  return (
    <>
      <MarginHead>For the next colleague</MarginHead>
      <ul className="list-inside list-disc">
        {work.evaluation.visit.notes.map((note, i) => (
          <li key={i}>{note}</li>
        ))}
      </ul>
      <label className="block pt-2">
        <span className="text-sm text-soft">Note</span>
        <textarea
          className="block w-full border border-ink bg-sheet p-2"
          rows={2}
          maxLength={400}
          value={text}
          onChange={(e) => change(e.target.value)}
        />
      </label>
      <div className="pt-2">
        <Plain
          disabled={text.trim() === ''}
          onClick={() => {
            work.say({ kind: 'note_written', text });
            change('');
          }}
        >
          Write it down
        </Plain>
      </div>
    </>
  );
}
