import { QueryCache, QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { BrowserRouter, Navigate, Route, Routes } from 'react-router';
import { AlbumScreen } from '../tasks/talk/AlbumScreen';
import { LastTimeScreen } from '../tasks/talk/LastTimeScreen';
import { PictureScreen } from '../tasks/talk/PictureScreen';
import { TalkScreen } from '../tasks/talk/TalkScreen';
import { reportFailure } from '../shared/api/trouble';
import { TroubleSign } from '../shared/ui/TroubleSign';
import { PlainPage } from '../shared/ui/states';
import { CheckScreen } from '../tasks/check/CheckScreen';
import { CoatScreen } from '../tasks/coat/CoatScreen';
import { CutScreen } from '../tasks/cut/CutScreen';
import { RunScreen } from '../tasks/cut/run/RunScreen';
import { BodyScreen } from '../tasks/hands/BodyScreen';
import { HandsScreen } from '../tasks/hands/HandsScreen';
import { PhotoScreen } from '../tasks/hands/photo/PhotoScreen';
import { TimeScreen } from '../tasks/hands/TimeScreen';
import { KeepScreen } from '../tasks/keep/KeepScreen';
import { KeptPlanScreen } from '../tasks/keep/KeptPlanScreen';
import { AboutScreen } from '../tasks/kit/AboutScreen';
import { KitScreen } from '../tasks/kit/KitScreen';
import { LookScreen } from '../tasks/look/LookScreen';
import { AheadScreen } from '../tasks/plan/AheadScreen';
import { SchoolsScreen } from '../tasks/cut/SchoolsScreen';
import { HouseScreen } from '../tasks/kit/HouseScreen';
import { LinesScreen } from '../tasks/plan/LinesScreen';
import { PlanScreen } from '../tasks/plan/PlanScreen';
import { NewDogScreen } from '../tasks/studio/NewDogScreen';
import { StudioScreen } from '../tasks/studio/StudioScreen';
import { ErrorBoundary } from './ErrorBoundary';
import { Keys } from './Keys';
import { VisitPage } from './VisitPage';

const queries = new QueryClient({
  // A question that some screen asks in passing is answered by a sentence all the same.
  queryCache: new QueryCache({ onError: reportFailure }),
  // The server is this machine: offline fails at once, and the page says so.
  defaultOptions: { queries: { networkMode: 'always', retry: 1 } },
});

export function App() {
  return (
    <ErrorBoundary>
      <QueryClientProvider client={queries}>
        <BrowserRouter>
          <Keys />
          <TroubleSign />
          <Routes>
            <Route path="/" element={<StudioScreen />} />
            <Route path="/dog/new" element={<NewDogScreen />} />
            <Route path="/kit" element={<KitScreen />} />
            <Route path="/kit/house" element={<HouseScreen />} />
            <Route path="/about" element={<AboutScreen />} />
            <Route path="/plan/:plan" element={<KeptPlanScreen />} />
            <Route path="/visit/:visit" element={<VisitPage />}>
              <Route index element={<Navigate to="hands" replace />} />
              <Route path="talk" element={<TalkScreen />} />
              <Route path="hands" element={<HandsScreen />} />
              <Route path="body" element={<BodyScreen />} />
              <Route path="photo" element={<PhotoScreen />} />
              <Route path="time" element={<TimeScreen />} />
              <Route path="coat" element={<CoatScreen />} />
              <Route path="look" element={<LookScreen />} />
              <Route path="last" element={<LastTimeScreen />} />
              <Route path="picture" element={<PictureScreen />} />
              <Route path="album" element={<AlbumScreen />} />
              <Route path="schools" element={<SchoolsScreen />} />
              <Route path="lines" element={<LinesScreen />} />
              <Route path="ahead" element={<AheadScreen />} />
              <Route path="plan" element={<PlanScreen />} />
              <Route path="cut" element={<CutScreen />} />
              <Route path="run" element={<RunScreen />} />
              <Route path="check" element={<CheckScreen />} />
              <Route path="keep" element={<KeepScreen />} />
            </Route>
            <Route
              path="*"
              element={
                <PlainPage head="Nothing stands here">
                  <p>This address is not one of Veliform’s.</p>
                </PlainPage>
              }
            />
          </Routes>
        </BrowserRouter>
      </QueryClientProvider>
    </ErrorBoundary>
  );
}
