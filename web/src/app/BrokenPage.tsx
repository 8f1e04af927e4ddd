import { useEffect, useState } from 'react';
import { api } from '../shared/api/client';
import { PlainPage } from '../shared/ui/states';

export function BrokenPage() {
  return (
    <PlainPage head="This page broke" way={<OpenAgain />}>
      <p>What you typed is kept. Open the page again to go on.</p>
    </PlainPage>
  );
}

/** A page whose part did not come. The browser asks for a part once only, so the page is opened anew. */
export function NotHereYet({ mayOpen }: { mayOpen: boolean }) {
  const isBack = useComesBack();
  useEffect(() => {
    if (isBack && mayOpen) window.location.reload();
  }, [isBack, mayOpen]);
  return (
    <PlainPage head="This page is not here yet" way={<OpenAgain />}>
      <p>
        Veliform does not answer, and this page was never open on this device. It opens by itself
        once Veliform is back. What you typed is kept.
      </p>
    </PlainPage>
  );
}

function OpenAgain() {
  return (
    <button
      type="button"
      className="min-h-12 border-2 border-ink px-4 font-bold"
      onClick={() => window.location.reload()}
    >
      Open it again
    </button>
  );
}

/** Veliform is asked so often whether it is back, ms. */
const ASKED_EVERY_MS = 2000;

/** Whether Veliform was away while this page stood, and answers again: one that never was away is no cure. */
function useComesBack(): boolean {
  const [isBack, setIsBack] = useState(false);
  useEffect(() => {
    let wasAway = false;
    const ask = () =>
      void api.GET('/api/health').then(
        () => wasAway && setIsBack(true),
        () => (wasAway = true),
      );
    ask();
    const asking = setInterval(ask, ASKED_EVERY_MS);
    return () => clearInterval(asking);
  }, []);
  return isBack;
}
