import { memo, Suspense, useDeferredValue, useMemo } from 'react';
import { Navigate, Outlet, useLocation, useParams, useSearchParams } from 'react-router';
import { readFinding } from '../shared/dog/finding';
import { Failure, type Schemas } from '../shared/api/client';
import { useCatalogue, useHouse, useKit, usePast } from '../shared/api/salon';
import { FailedPage, LoadingPage } from '../shared/ui/states';
import { Tape } from '../shared/ui/Tape';
import { SheetContext, VisitContext, type VisitWork } from '../shared/visit/context';
import { beyondBase } from '../shared/visit/model';
import { useDesk } from '../shared/visit/useDesk';
import { useSlow } from '../shared/visit/useSlow';
import { useVisit } from '../shared/visit/useVisit';
import { ErrorBoundary } from './ErrorBoundary';
import { TASKS, taskAt } from './tasks';

const ALL_LAYERS: Schemas['Layers'] = {
  table: true,
  now: true,
  plan: true,
  settled: false,
  as_left: false,
  ideal: false,
  hair: true,
  skin: true,
  measures: false,
  landmarks: false,
  lines: false,
  lengths: false,
  pins: false,
  touch: true,
  doubt: false,
  found: true,
};
const SHEETS: Schemas['Sheet'][] = ['side', 'front', 'rear', 'top', 'four'];
const STANCES: Schemas['WalkFrom'][] = [
  'left',
  'behind',
  'right',
  'front',
  'above',
  'below',
  'walking',
];
/** Text against the sheet's width: about 15 px on a sheet of 900 px. */
const TEXT_SHARE = 0.0172;

/** A visit: loads it, asks the core at every change, and hands the work to the present task. */
export function VisitPage() {
  const { visit = '' } = useParams();
  return <OpenVisit key={visit} visitId={visit} />;
}

function OpenVisit({ visitId }: { visitId: string }) {
  const visit = useVisit(visitId);
  const words = useCatalogue();
  const house = useHouse();
  const kit = useKit();
  const past = usePast(visitId);
  const { pathname } = useLocation();
  const present = taskAt(pathname).index;
  const options = useOptions(pathname, words.data);
  const before = useBefore(past.data ?? null, pathname.endsWith('/body'));
  const dog = visit.stage.stage === 'ready' ? visit.stage.dog : null;
  const { stage, log, entries, say, attempt, flush, sendAgain, putAway } = visit;
  const desk = useMemo(
    () =>
      dog && house.data && kit.data
        ? {
            visit: visitId,
            entries: beyondBase(log),
            dog,
            house: house.data,
            kit: kit.data,
            before,
          }
        : null,
    [visitId, dog, log, house.data, kit.data, before],
  );
  const input = useMemo(() => desk && { ...desk, options }, [desk, options]);
  const view = useDesk(visitId, input, TASKS[present]?.wantsPlan ?? false);
  const { evaluation, plan, change, knotsAgain } = view;

  const work = useMemo<VisitWork | null>(
    () =>
      stage.stage === 'ready' && desk && words.data && evaluation
        ? {
            visitId,
            dog: stage.dog,
            beganMs: stage.beganMs,
            house: desk.house,
            kit: desk.kit,
            desk,
            words: words.data,
            log,
            entries,
            evaluation,
            plan,
            change,
            knotsAgain,
            past: past.data ?? null,
            before,
            options,
            drawnStep: view.drawnStep,
            say,
            attempt,
            flush,
            sendAgain,
            putAway,
          }
        : null,
    [
      visitId,
      stage,
      desk,
      words.data,
      log,
      entries,
      evaluation,
      plan,
      change,
      knotsAgain,
      past.data,
      before,
      options,
      view.drawnStep,
      say,
      attempt,
      flush,
      sendAgain,
      putAway,
    ],
  );
  const calm = useDeferredValue(useSlow(work, log.tried !== null));

  if (visit.stage.stage === 'moved')
    return <Navigate replace to={pathname.replace(visitId, visit.stage.to)} />;
  const failure =
    visit.stage.stage === 'failed'
      ? visit.stage.failure
      : [words.error, house.error, kit.error].find((e) => e instanceof Failure);
  if (failure instanceof Failure)
    return <FailedPage failure={failure} again={() => window.location.reload()} />;
  if (!work || !calm) {
    if (view.failure && !view.evaluation)
      return <FailedPage failure={view.failure} again={() => window.location.reload()} />;
    return <LoadingPage />;
  }
  const state = work.evaluation.visit;
  return (
    <div className="screen flex h-full flex-col" data-took-ms={view.tookMs?.toFixed(1)}>
      <Tape
        title={work.dog.name}
        present={present}
        onlyShows={pathname.endsWith('/run') && state.run != null && state.run.ended == null}
        tasks={TASKS.map((task) => ({
          name: task.name,
          to: `/visit/${visitId}/${task.path}`,
          reached: task.isReached(state),
        }))}
      />
      {/* Within the visit: what it holds unsent outlives a task that breaks. */}
      <ErrorBoundary at={pathname} mayOpenAgain={log.state === 'kept'}>
        <SheetContext value={work.evaluation.drawing}>
          <PresentTask work={calm} />
        </SheetContext>
      </ErrorBoundary>
    </div>
  );
}

/** The task on the screen; it follows the sheet when there is time. */
const PresentTask = memo(function PresentTask({ work }: { work: VisitWork }) {
  return (
    <VisitContext value={work}>
      <Suspense fallback={<LoadingPage />}>
        <Outlet />
      </Suspense>
    </VisitContext>
  );
});

/** What the sheet shows: the page's own layers, and view and layers asked for in the address. */
function useOptions(
  pathname: string,
  words: Schemas['Catalogue'] | undefined,
): Schemas['DrawOptions'] {
  const [search] = useSearchParams();
  const shown = search.get('show') ?? '';
  const asked = search.get('view');
  const step = search.get('step');
  const mirrored = search.get('mirrored') !== null;
  const finding = search.get('ask');
  const from = pathname.endsWith('/check') ? (search.get('walk') ?? 'left') : null;
  return useMemo(() => {
    const extra = Object.fromEntries(
      shown
        .split(',')
        .filter((name) => name in ALL_LAYERS)
        .map((name) => [name, true]),
    );
    return {
      sheet: SHEETS.find((s) => s === asked) ?? 'side',
      layers: { ...ALL_LAYERS, ...taskAt(pathname).layers, ...extra },
      step: step === null ? null : Number(step) || null,
      mirrored,
      point: null,
      walk: STANCES.find((stance) => stance === from) ?? null,
      asked: readFinding(finding, words),
      text_share: TEXT_SHARE,
      is_small: false,
    };
  }, [pathname, shown, asked, step, mirrored, from, finding, words]);
}

/** What of earlier visits is drawn: on the body what was found, and the frame asked for. */
function useBefore(past: Schemas['Past'] | null, isBody: boolean): Schemas['Before'] {
  const [search] = useSearchParams();
  const over = search.get('over');
  return useMemo(
    () => ({
      frame: past?.frames.find((f) => f.visit === over)?.frame ?? null,
      found: isBody ? (past?.found ?? []).filter((f) => f.outcome !== 'gone') : [],
      measures: past?.measures ?? [],
      is_first: past?.is_first ?? false,
      recipe: past?.last?.recipe ?? null,
    }),
    [past, over, isBody],
  );
}
