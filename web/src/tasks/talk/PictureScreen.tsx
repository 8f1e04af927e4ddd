import { useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { useCore } from '../../shared/api/useCore';
import { GetPhoto } from '../../shared/photos/GetPhoto';
import { PhotoSheet } from '../../shared/photos/PhotoSheet';
import { usePhotos, type Photo } from '../../shared/photos/usePhotos';
import { besideOptions } from '../../shared/sheet/beside';
import { Drawing } from '../../shared/sheet/Drawing';
import { WorkScreen } from '../../shared/sheet/WorkScreen';
import { BigLink } from '../../shared/ui/BigControl';
import { Disclosed } from '../../shared/ui/Disclosed';
import { Pick } from '../../shared/ui/Pick';
import { MarginHead, Plain, Said } from '../../shared/ui/controls';
import { useVisitWork } from '../../shared/visit/context';
import { Likeness } from './Likeness';
import { TalkTabs } from './TalkTabs';

type Picture = Schemas['OwnersPicture'];
type Point = Schemas['PicturePoint'];

/** Holding it against the dog takes a dozen solves. */
const AFTER_MS = 200;

/** The owner's picture of another dog: what is touched on it becomes targets for this one. */
export function PictureScreen() {
  const work = useVisitWork();
  const { photos, send, simulate } = usePhotos(work.visitId);
  const picture = work.evaluation.visit.picture ?? null;
  const photo = photos.find((p) => p.id === picture?.photo) ?? null;
  const touched = (next: Picture | null) => work.say({ kind: 'picture_touched', picture: next });
  const begin = (taken: Photo) =>
    touched({ photo: taken.id, size_px: [taken.width, taken.height], points: {} });
  const here = useHere();
  const get = (
    <GetPhoto
      only="side"
      onFile={async (file) => begin(await send(file, 'side'))}
      onCamera={async (camera) => begin((await simulate(camera, true)).photo)}
    />
  );
  const next = <BigLink to={`/visit/${work.visitId}/hands`}>Feel the dog</BigLink>;
  if (picture && photo)
    return (
      <OpenPicture key={photo.id} {...{ picture, photo, here, get, next }} onChange={touched} />
    );
  const margin = (
    <>
      <TalkTabs />
      <p className="pb-2">
        A picture of any dog, seen from the side. Touch its outline; its ratios become targets for
        this dog.
      </p>
      {get}
    </>
  );
  return <WorkScreen title="Owner’s picture" {...{ margin, next }} />;
}

function OpenPicture(props: {
  picture: Picture;
  photo: Photo;
  here: Schemas['PictureHere'] | null;
  /** Another picture. */
  get: React.ReactNode;
  next: React.ReactNode;
  onChange: (picture: Picture | null) => void;
}) {
  const work = useVisitWork();
  const { picture, photo, here } = props;
  const [chosen, setChosen] = useState<Point | null>(null);
  const points = picture.points ?? {};
  const places = work.words.picture;
  const inHand =
    places.find((p) => p.point === chosen) ?? places.find((p) => !points[p.point]) ?? null;
  const put = (point: Point, at: [number, number]) =>
    props.onChange({ ...picture, points: { ...points, [point]: at } });
  const offer = here?.offer ?? null;
  return (
    <WorkScreen
      title="Owner’s picture"
      sheet={
        <div className="flex min-h-0 flex-1 gap-2">
          <PhotoSheet
            photo={photo}
            marks={places.flatMap(({ point }) => {
              const at = points[point] as [number, number] | undefined;
              return at ? [{ key: point, at, isOnDog: true }] : [];
            })}
            inHand={inHand && { key: inHand.point, label: inHand.label }}
            onTouch={(at) => {
              if (!inHand) return;
              put(inHand.point, at);
              setChosen(null);
            }}
            onNudge={([dx, dy]) => {
              if (!inHand) return;
              const [x, y] = (points[inHand.point] ?? [photo.width / 2, photo.height / 2]) as [
                number,
                number,
              ];
              setChosen(inHand.point);
              put(inHand.point, [x + dx, y + dy]);
            }}
          />
          {offer && (
            <div className="min-w-0 flex-1 bg-sheet">
              <Drawing drawing={offer.drawing} />
            </div>
          )}
        </div>
      }
      margin={
        <>
          <TalkTabs />
          <MarginHead>Touch on the picture</MarginHead>
          <p aria-live="polite" className="font-bold" data-in-hand={inHand?.point ?? ''}>
            {inHand ? inHand.label : 'Everything is touched.'}
          </p>
          <Pick
            label="What to touch"
            hideLabel
            asks="Touch one again"
            options={places.map((p) => ({
              value: p.point,
              label: `${points[p.point] ? '● ' : '○ '}${p.label}${p.can_be_left ? ' (can be left)' : ''}`,
            }))}
            value={inHand?.point ?? null}
            onPick={setChosen}
          />
          {here?.reading.problem && <Said>{here.reading.problem}</Said>}
          {offer && <Likeness offer={offer} />}
          <Disclosed says="Another picture">
            {props.get}
            <div className="pt-2">
              <Plain onClick={() => props.onChange(null)}>Put this one away</Plain>
            </div>
          </Disclosed>
        </>
      }
      next={props.next}
    />
  );
}

/** What the core makes of the picture on this dog. */
function useHere(): Schemas['PictureHere'] | null {
  const { desk } = useVisitWork();
  const options = besideOptions({ now: true });
  const body = { ...desk, options };
  return useCore('/api/picture', body, AFTER_MS).answer;
}
