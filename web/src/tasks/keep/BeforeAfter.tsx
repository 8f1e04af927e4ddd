import type { Schemas } from '../../shared/api/client';
import { GetPhoto } from '../../shared/photos/GetPhoto';
import { usePhotos, type Photo } from '../../shared/photos/usePhotos';
import { MarginHead, Plain } from '../../shared/ui/controls';
import { useVisitWork } from '../../shared/visit/context';

type Moment = Schemas['PhotoMoment'];

/** The dog before and after, by photo; one taken here shows the finished dog until said otherwise. */
export function BeforeAfter() {
  const work = useVisitWork();
  const { photos: all, send, simulate } = usePhotos(work.visitId);
  const photos = all.filter((p) => p.id !== work.evaluation.visit.picture?.photo);
  const moments = work.evaluation.visit.photo_moments ?? {};
  const shown = work.evaluation.visit.may_be_shown ?? [];
  const of = (photo: Photo): Moment => moments[photo.id] ?? 'before';
  const say = (photo: string, moment: Moment) => work.say({ kind: 'photo_taken', photo, moment });
  const isLeft = work.dog.at_home?.photos_may_be_shown !== false;
  const column = (moment: Moment, title: string) => {
    const here = photos.filter((p) => of(p) === moment);
    return (
      <div>
        <h3 className="text-sm text-soft">{title}</h3>
        {here.length === 0 && <p className="text-sm">None yet.</p>}
        {here.map((photo) => (
          <figure key={photo.id} className="pb-2">
            <img
              className="w-full border border-line"
              src={`/api/photos/${photo.id}.jpg`}
              width={photo.width}
              height={photo.height}
              alt={`${work.dog.name} from the ${photo.view}, ${title.toLowerCase()}`}
            />
            <figcaption className="flex items-center justify-between gap-1 text-sm">
              {photo.view}
              {photo.is_simulated && ', simulated'}
              <Plain onClick={() => say(photo.id, moment === 'before' ? 'after' : 'before')}>
                {moment === 'before' ? 'Is after' : 'Is before'}
              </Plain>
            </figcaption>
            {moment === 'after' && isLeft && (
              <label className="flex min-h-12 items-center gap-2 text-sm">
                <input
                  type="checkbox"
                  className="size-6"
                  checked={shown.includes(photo.id)}
                  onChange={(e) =>
                    work.say({
                      kind: 'photo_leave',
                      photo: photo.id,
                      may_be_shown: e.target.checked,
                    })
                  }
                />
                The owner lets it be shown to others
              </label>
            )}
          </figure>
        ))}
      </div>
    );
  };
  return (
    <>
      <MarginHead>Before and after</MarginHead>
      {!isLeft && (
        <p className="pb-2 text-sm">No photo of this dog is shown to others: its owner’s wish.</p>
      )}
      <div className="grid grid-cols-2 gap-2 pb-2">
        {column('before', 'Before')}
        {column('after', 'After')}
      </div>
      <GetPhoto
        onFile={async (file, view) => say((await send(file, view)).id, 'after')}
        onCamera={async (camera) => say((await simulate(camera, true)).photo.id, 'after')}
      />
    </>
  );
}
