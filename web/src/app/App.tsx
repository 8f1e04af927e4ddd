import { QueryCache, QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { Suspense } from 'react';
import { BrowserRouter, Navigate, Route, Routes } from 'react-router';
import { reportFailure } from '../shared/api/trouble';
import { TroubleSign } from '../shared/ui/TroubleSign';
import { LoadingPage, PlainPage } from '../shared/ui/states';
import { StudioScreen } from '../tasks/studio/StudioScreen';
import { ErrorBoundary } from './ErrorBoundary';
import { Keys } from './Keys';
import * as Later from './later';
import { VisitPage } from './VisitPage';

const queries = new QueryClient({
  // A question that some screen asks in passing is answered by a sentence all the same.
  queryCache: new QueryCache({ onError: reportFailure }),
  // The server is this machine: offline fails at once, and the page says so.
  defaultOptions: { queries: { networkMode: 'always', retry: 1 } },
});

export function App() {
  return (
    <ErrorBoundary mayOpenAgain>
      <QueryClientProvider client={queries}>
        <BrowserRouter>
          <Keys />
          <TroubleSign />
          <Suspense fallback={<LoadingPage />}>
            <Routes>
              <Route path="/" element={<StudioScreen />} />
              <Route path="/dog/new" element={<Later.NewDogScreen />} />
              <Route path="/dog/:dog" element={<Later.DogCardScreen />} />
              <Route path="/dog/:dog/life" element={<Later.LifeScreen />} />
              <Route path="/dog/:dog/owner" element={<Later.OwnerScreen />} />
              <Route path="/kit" element={<Later.KitScreen />} />
              <Route path="/kit/house" element={<Later.HouseScreen />} />
              <Route path="/about" element={<Later.AboutScreen />} />
              <Route path="/plan/:plan" element={<Later.KeptPlanScreen />} />
              <Route path="/visit/:visit" element={<VisitPage />}>
                <Route index element={<Navigate to="hands" replace />} />
                {Object.entries(Later.VISIT_PAGES).map(([path, Page]) => (
                  <Route key={path} path={path} element={<Page />} />
                ))}
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
          </Suspense>
        </BrowserRouter>
      </QueryClientProvider>
    </ErrorBoundary>
  );
}
