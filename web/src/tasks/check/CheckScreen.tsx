import { useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import type { Schemas } from '../../shared/api/client';
import { WorkScreen } from '../../shared/sheet/WorkScreen';
import { BigButton } from '../../shared/ui/BigControl';
import { useVisitWork } from '../../shared/visit/context';
import { CheckTabs } from './CheckTabs';
import { PhotoFromHere } from './PhotoFromHere';
import { Spots } from './Spots';
import { StanceRow } from './StanceRow';
import { TouchUps } from './TouchUps';
import { isSeen } from './seen';
import { useFinish } from './useFinish';

/** The walk round the finished dog: a stance a page, its places good or a length by a touch. */
export function CheckScreen() {
  const work = useVisitWork();
  const report = useFinish();
  const walk = report?.walk ?? [];
  const from = work.options.walk ?? 'left';
  const at = walk.findIndex((view) => view.from === from);
  const [view, next] = [walk[at], walk[at + 1]];
  const go = useGo();
  const [ring, setRing] = useState<number | null>(null);
  const unseen = view?.places.filter((place) => !isSeen(place)) ?? [];
  const goOn = () => {
    if (unseen.length > 0)
      work.say({ kind: 'looked_at', places: unseen.map((place) => place.looked) });
    setRing(null);
    go(next?.from ?? null);
  };
  return (
    <WorkScreen
      title="Walk round"
      isWide
      chosen={ring === null ? null : { of: 'ring', which: ring }}
      onTouch={(tag) => {
        if (tag.of === 'ring') setRing(tag.which);
      }}
      rail={<StanceRow walk={walk} from={from} />}
      margin={
        report && view ? (
          <>
            <CheckTabs />
            <Stance view={view} />
            <Spots report={report} view={view} ring={ring} onRing={setRing} />
            <TouchUps report={report} />
            <PhotoFromHere key={from} from={from} />
          </>
        ) : (
          <p>One moment.</p>
        )
      }
      next={
        <BigButton onClick={goOn} disabled={!view}>
          {unseen.length > 0 ? 'Good. ' : ''}
          {next ? `Next: ${next.short}` : 'Write it up'}
        </BigButton>
      }
    />
  );
}

function Stance({ view }: { view: Schemas['WalkView'] }) {
  return (
    <>
      <h2 className="text-4xl leading-tight font-bold" data-stance={view.from}>
        {view.label}
      </h2>
      {view.this_dogs.length > 0 && (
        <p className="border-l-4 border-pin pl-2">Look again: {view.this_dogs.join(', ')}.</p>
      )}
    </>
  );
}

/** Goes to a stance; after the last, on to what is written down. */
function useGo(): (from: Schemas['WalkFrom'] | null) => void {
  const { visitId } = useVisitWork();
  const [, setSearch] = useSearchParams();
  const navigate = useNavigate();
  return (from) => {
    if (from) setSearch({ walk: from });
    else void navigate(`/visit/${visitId}/keep`);
  };
}
