import type { Schemas } from '../../shared/api/client';
import { GetPhoto } from '../../shared/photos/GetPhoto';
import { usePhotos } from '../../shared/photos/usePhotos';
import { MarginHead } from '../../shared/ui/controls';
import { useVisitWork } from '../../shared/visit/context';

/** The view a stance is photographed in; none from below and walking. */
const VIEWS: Partial<Record<Schemas['WalkFrom'], Schemas['View']>> = {
  left: 'side',
  right: 'side',
  behind: 'rear',
  front: 'front',
  above: 'top',
};

/** A photo of the finished dog from where the stylist stands: it is *after*, and goes with the visit. */
export function PhotoFromHere({ from }: { from: Schemas['WalkFrom'] }) {
  const work = useVisitWork();
  const { photos, send, simulate } = usePhotos(work.visitId);
  const view = VIEWS[from];
  if (!view) return null;
  const moments = work.evaluation.visit.photo_moments ?? {};
  const here = photos.filter((p) => p.view === view && moments[p.id] === 'after');
  const say = (photo: string) => work.say({ kind: 'photo_taken', photo, moment: 'after' });
  return (
    <section aria-label="Its photo from here">
      <MarginHead>Its photo from here</MarginHead>
      {here.map((photo) => (
        <img
          key={photo.id}
          className="mb-2 max-h-40 border border-line"
          src={`/api/photos/${photo.id}.jpg`}
          width={photo.width}
          height={photo.height}
          alt={`${work.dog.name}, finished, from the ${photo.view}`}
        />
      ))}
      <GetPhoto
        only={view}
        label={here.length === 0 ? 'Take or load its photo' : 'Another'}
        onFile={async (file, seen) => say((await send(file, seen)).id)}
        onCamera={async (camera) => say((await simulate(camera, true)).photo.id)}
      />
    </section>
  );
}
