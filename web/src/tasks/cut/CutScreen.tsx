import { useMutation } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { createPortal } from 'react-dom';
import { useNavigate } from 'react-router';
import { nowMs } from '../../shared/clock/now';
import { api, ask, type Schemas } from '../../shared/api/client';
import { reportFailure } from '../../shared/api/trouble';
import { EmptyKit } from '../../shared/kit/EmptyKit';
import { WorkScreen } from '../../shared/sheet/WorkScreen';
import { BigButton } from '../../shared/ui/BigControl';
import { Choice, Plain, Said, type Option } from '../../shared/ui/controls';
import { minutesText } from '../../shared/units/show';
import { useVisitWork } from '../../shared/visit/context';
import { CutTabs } from './CutTabs';

/** The cut sheet: the plan as ordered steps; printed, as PDF, as drawing. */
export function CutScreen() {
  const work = useVisitWork();
  const navigate = useNavigate();
  const { visitId, plan } = work;
  const pages = usePages(visitId, work.entries.length, work.log.pending.length);
  const keepPlan = async () => {
    await work.flush();
    return ask(
      api.PUT('/api/visits/{visit}/plans/{id}', {
        params: { path: { visit: visitId, id: crypto.randomUUID() } },
        body: { entry: crypto.randomUUID(), at_ms: nowMs() },
      }),
    );
  };
  const keep = useMutation({ mutationFn: keepPlan });
  if (!plan) return null;
  const { run } = work.evaluation.visit;
  const start = () => {
    if (!run || run.ended) {
      work.say({ kind: 'run', event: { event: 'began', sheet: plan.sheet } });
      // What is cut is what is kept; with the server away the sheet in the log speaks for it.
      keepPlan().catch(reportFailure);
    }
    void navigate(`/visit/${visitId}/run`);
  };
  return (
    <>
      <WorkScreen
        title="Cut sheet"
        isWide
        foot={<Papers visitId={visitId} isReady={pages.length > 0} />}
        margin={
          <>
            <CutTabs />
            <EmptyKit />
            <h2 className="text-2xl font-bold">{plan.look_name}</h2>
            <p className="pb-2 text-soft">
              {plan.sheet.steps.length} steps, {minutesText(plan.sheet.minutes)}.{' '}
              {plan.sheet.counted}
            </p>
            {work.house.stylists.length > 0 && (
              <div className="pb-3">
                <Choice
                  label="At the table"
                  options={work.house.stylists.map((name) => ({ value: name, label: name }))}
                  value={work.evaluation.visit.stylist || null}
                  onChange={(stylist) => work.say({ kind: 'stylist_set', stylist })}
                />
              </div>
            )}
            <div className="pb-3">
              <Plain onClick={() => keep.mutate()} disabled={keep.isPending}>
                Save this plan
              </Plain>
              {keep.isSuccess && (
                <p role="status" className="pt-1 text-soft">
                  This plan is saved as it stands.
                </p>
              )}
            </div>
            <HowMuch />
            <Minded sheet={plan.sheet} />
            <Steps steps={plan.sheet.steps} />
            <HandsAndCautions steps={plan.sheet.steps} />
            <p className="border-t border-line pt-2 text-sm font-bold">
              {plan.sheet.standing_caution}
            </p>
            {keep.error && <Said>{keep.error.message}</Said>}
          </>
        }
        next={
          <BigButton onClick={start}>
            {run && !run.ended ? 'Go on at the table' : 'Start at the table'}
          </BigButton>
        }
      />
      <Paper pages={pages} />
    </>
  );
}

function Papers({ visitId, isReady }: { visitId: string; isReady: boolean }) {
  const look = 'flex min-h-12 items-center border border-ink px-3';
  return (
    <>
      <button
        type="button"
        className={`${look} disabled:text-soft`}
        onClick={() => window.print()}
        disabled={!isReady}
      >
        {isReady ? 'Print' : 'Writing the paper…'}
      </button>
      {(['sheet.pdf', 'drawing.svg', 'drawing.png'] as const).map((file) => (
        <a key={file} className={look} href={`/api/visits/${visitId}/${file}`} download>
          {file.split('.')[1]?.toUpperCase()}
        </a>
      ))}
    </>
  );
}

/** How much of the groom is for today: puppies, old and shy dogs learn it by stages. */
function HowMuch() {
  const work = useVisitWork();
  const { programme } = work.evaluation.visit;
  const staged = work.plan?.sheet.staged ?? null;
  const options: Option<Schemas['Programme'] | 'whole'>[] = [
    { value: 'whole', label: 'Whole groom' },
    ...work.words.choices.programme,
  ];
  return (
    <div className="pb-3">
      <Choice
        label="How much of it today"
        options={options}
        columns={2}
        value={programme ?? 'whole'}
        onChange={(chosen) =>
          work.say({ kind: 'programme_set', programme: chosen === 'whole' ? null : chosen })
        }
      />
      {staged && (
        <>
          <p className="pt-2 font-bold">{staged.sentence}</p>
          <p className="text-sm text-soft">At home: {staged.home_care}</p>
        </>
      )}
    </div>
  );
}

/** What is done otherwise on this dog, and the notes: before the first step. */
function Minded({ sheet }: { sheet: Schemas['CutSheet'] }) {
  return (
    <ul aria-label="To be minded" className="pb-2">
      {sheet.own_ways?.map((way) => (
        <li key={way} className="border-l-4 border-chalk pl-2 font-bold">
          {way}
        </li>
      ))}
      {sheet.notes.map((note, i) => (
        <li key={i} className="border-l-4 border-line pl-2">
          {note}
        </li>
      ))}
    </ul>
  );
}

function Steps({ steps }: { steps: Schemas['Step'][] }) {
  return (
    <ol>
      {steps.map((step, i) => (
        <li key={step.number} className="pb-3">
          {steps[i - 1]?.stage !== step.stage && (
            <h3 className="border-t border-line pt-2 text-lg font-bold">{step.stage_label}</h3>
          )}
          <StepLines step={step} />
        </li>
      ))}
    </ol>
  );
}

function StepLines({ step }: { step: Schemas['Step'] }) {
  const how = [step.tool, step.stroke].filter(Boolean).join(', ');
  return (
    <div className="grid grid-cols-[2rem_1fr_auto] gap-x-2">
      <span className="font-mono text-soft">{step.number}</span>
      <div>
        <p className="leading-tight font-bold">
          {step.what}
          {step.leaves && <span className="font-mono"> {step.leaves}</span>}
        </p>
        {how && <p>{how}</p>}
        {step.from && <p className="text-sm text-soft">From {step.from}.</p>}
        {step.to && <p className="text-sm text-soft">Stop: {step.to}.</p>}
        {step.amounts?.map((amount) => (
          <p key={amount} className="text-sm">
            {amount}.
          </p>
        ))}
        {step.instead && <p className="text-sm text-soft">If the comb stops: {step.instead}.</p>}
        {step.cautions
          .filter((caution) => caution.is_this_dogs)
          .map((caution) => (
            <p key={caution.text} className="border-l-4 border-pin pl-2 text-sm font-bold">
              {caution.text}
            </p>
          ))}
      </div>
      <span className="font-mono text-soft">{Math.max(1, Math.round(step.minutes))}</span>
    </div>
  );
}

/** What holds on every dog, once each, at the step it first belongs to: how it is held, what to mind. */
function HandsAndCautions({ steps }: { steps: Schemas['Step'][] }) {
  const usual = (step: Schemas['Step']) => step.cautions.filter((c) => !c.is_this_dogs);
  return (
    <section aria-labelledby="hands-and-cautions" className="border-t border-line pt-2 pb-3">
      <h3 id="hands-and-cautions" className="text-lg font-bold">
        Hands and cautions
      </h3>
      <ul>
        {steps
          .filter((step) => step.hand || usual(step).length > 0)
          .map((step) => (
            <li key={step.number} className="grid grid-cols-[2rem_1fr] gap-x-2 pt-1 text-sm">
              <span className="font-mono text-soft">{step.number}</span>
              <div>
                {step.hand && <p>Other hand: {step.hand}</p>}
                {usual(step).map((caution) => (
                  <p key={caution.text} className="border-l-4 border-line pl-2">
                    {caution.text}
                  </p>
                ))}
              </div>
            </li>
          ))}
      </ul>
    </section>
  );
}

/** Pages are asked for once nothing has changed for so long, ms. */
const PAGES_AFTER_MS = 400;

/** The pages as the server writes them; none while something said is not with it yet. */
function usePages(visitId: string, said: number, waiting: number): string[] {
  const [written, setWritten] = useState<{ said: number; pages: string[] }>({
    said: -1,
    pages: [],
  });
  useEffect(() => {
    if (waiting > 0) return;
    let isOpen = true;
    const timer = setTimeout(() => {
      ask(
        api.GET('/api/visits/{visit}/sheet-pages', { params: { path: { visit: visitId } } }),
      ).then((answer) => {
        if (isOpen) setWritten({ said, pages: answer.pages });
      }, reportFailure);
    }, PAGES_AFTER_MS);
    return () => {
      isOpen = false;
      clearTimeout(timer);
    };
  }, [visitId, said, waiting]);
  return written.said === said ? written.pages : [];
}

/** Shown only on paper. */
function Paper({ pages }: { pages: string[] }) {
  // The server escapes every text in the pages it writes.
  return createPortal(
    <div
      className="paper"
      aria-hidden="true"
      dangerouslySetInnerHTML={{ __html: pages.join('') }}
    />,
    document.body,
  );
}
