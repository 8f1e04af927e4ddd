import { useEffect, useState } from 'react';
import { useSearchParams } from 'react-router';
import { api, ask, Failure, type Schemas } from '../../../shared/api/client';
import { WorkScreen } from '../../../shared/sheet/WorkScreen';
import { BigLink } from '../../../shared/ui/BigControl';
import { Pick } from '../../../shared/ui/Pick';
import { MarginHead, Plain, Said } from '../../../shared/ui/controls';
import { LengthField } from '../../../shared/ui/LengthField';
import { lengthText } from '../../../shared/units/show';
import { useVisitWork } from '../../../shared/visit/context';
import { HandsTabs } from '../HandsTabs';
import { GetPhoto } from '../../../shared/photos/GetPhoto';
import { emptyMarks, placeOf, targetsOf, touch, type Half, type Marks, type Target } from './marks';
import { Outline } from './Outline';
import { PhotoSheet } from '../../../shared/photos/PhotoSheet';
import { usePhotos, type Photo } from '../../../shared/photos/usePhotos';

const ROD_MM = 300;

/** Measures off a photo: scale, level, landmarks; then the drawn dog over it. */
export function PhotoScreen() {
  const work = useVisitWork();
  const { photos: all, send, simulate, takeOff } = usePhotos(work.visitId);
  const photos = all.filter((p) => p.id !== work.evaluation.visit.picture?.photo);
  const [search, setSearch] = useSearchParams();
  const chosen = photos.find((p) => p.id === search.get('photo')) ?? photos.at(-1) ?? null;
  const open = (photo: Photo) =>
    setSearch({ photo: photo.id, view: photo.view }, { replace: true });
  const say = work.say;
  const takeSimulated = async (camera: Schemas['Camera']) => {
    const taken = await simulate(camera);
    const { photo } = taken;
    say({
      kind: 'photo_marked',
      photo: photo.id,
      marks: {
        ...emptyMarks(photo),
        scale: { by: 'rod', ends_px: taken.rod_px, length_mm: taken.rod_mm },
        table_px: taken.table_px,
      },
    });
    open(photo);
  };
  const margin = (
    <>
      <HandsTabs />
      <GetPhoto
        onFile={async (file, view) => open(await send(file, view))}
        onCamera={takeSimulated}
      />
      {chosen && <TakeOff key={chosen.id} takeOff={() => takeOff(chosen.id)} />}
      {photos.length > 0 && (
        <div className="flex flex-wrap gap-1 pt-3" role="group" aria-label="Photos of this visit">
          {photos.map((p, i) => (
            <Plain key={p.id} pressed={p.id === chosen?.id} onClick={() => open(p)}>
              {i + 1} {p.view}
              {p.is_simulated ? ', simulated' : ''}
            </Plain>
          ))}
        </div>
      )}
    </>
  );
  const next = <BigLink to={`/visit/${work.visitId}/coat`}>Feel the coat</BigLink>;
  return chosen ? (
    <OpenPhoto key={chosen.id} photo={chosen} margin={margin} next={next} />
  ) : (
    <WorkScreen title="Photo" margin={margin} next={next} />
  );
}

/** A photo taken off is gone for good, so it is asked twice. */
function TakeOff({ takeOff }: { takeOff: () => Promise<void> }) {
  const [isAsked, setAsked] = useState(false);
  const [sorry, setSorry] = useState<string | null>(null);
  if (!isAsked)
    return (
      <button
        type="button"
        className="min-h-12 text-sm text-chalk underline"
        onClick={() => setAsked(true)}
      >
        Take this photo off
      </button>
    );
  const go = () =>
    takeOff().catch((error: unknown) => {
      if (error instanceof Failure) setSorry(error.message);
    });
  return (
    <div className="flex flex-wrap items-center gap-2 pt-1">
      <span className="text-sm">Gone for good?</span>
      <Plain onClick={() => void go()}>Take it off</Plain>
      <Plain onClick={() => setAsked(false)}>Leave it</Plain>
      {sorry && <Said>{sorry}</Said>}
    </div>
  );
}

function OpenPhoto(props: { photo: Photo; margin: React.ReactNode; next: React.ReactNode }) {
  const work = useVisitWork();
  const { photo } = props;
  const kept = work.evaluation.visit.photos?.[photo.id];
  const marks: Marks = kept ?? emptyMarks(photo);
  const [half, setHalf] = useState<Half>({});
  const [rodMm, setRodMm] = useState<number | null>(ROD_MM);
  const [inHandKey, setInHand] = useState<string | null>(null);
  const [isOver, setOver] = useState(false);
  const reading = useReading(marks, work.house.units);
  const targets = targetsOf(photo.view, work.words);
  const isTouched = (t: Target) => placeOf(marks, half, t) !== null;
  const inHand =
    targets.find((t) => t.key === inHandKey) ?? targets.find((t) => !isTouched(t)) ?? null;
  const put = (target: Target, at: [number, number]) => {
    const after = touch(marks, half, target, at, rodMm ?? ROD_MM);
    setHalf(after.half);
    if (after.marks !== marks)
      work.say({ kind: 'photo_marked', photo: photo.id, marks: after.marks });
  };
  const take = () => {
    for (const m of reading?.measures ?? [])
      work.say({
        kind: 'measure_set',
        measure: m.measure,
        taken: {
          value_mm: m.value_mm,
          method: 'photo',
          doubt_mm: m.doubt_mm,
          is_confirmed: false,
        },
      });
  };
  const { units } = work.house;
  const height = work.evaluation.frame.find((v) => v.measure === 'height_at_withers');
  return (
    <WorkScreen
      title="Photo"
      sheet={
        <PhotoSheet
          photo={photo}
          marks={targets.flatMap((t) => {
            const at = placeOf(marks, half, t);
            return at ? [{ key: t.key, at, isOnDog: t.landmark !== undefined }] : [];
          })}
          inHand={inHand}
          over={
            isOver && reading && <Outline drawing={work.evaluation.drawing} reading={reading} />
          }
          onTouch={(at) => {
            if (!inHand) return;
            put(inHand, at);
            setInHand(null);
          }}
          onNudge={([dx, dy]) => {
            if (!inHand) return;
            const now = placeOf(marks, half, inHand) ?? [photo.width / 2, photo.height / 2];
            setInHand(inHand.key);
            put(inHand, [now[0] + dx, now[1] + dy]);
          }}
        />
      }
      margin={
        <>
          {props.margin}
          <MarginHead>Touch on the photo</MarginHead>
          <p aria-live="polite" className="font-bold" data-in-hand>
            {inHand ? inHand.label : 'Everything is touched.'}
          </p>
          <LengthField
            name={`${work.visitId}.rod.${photo.id}`}
            label="Rod or tape in the picture"
            valueMm={rodMm}
            units={units}
            onValue={(mm) => {
              setRodMm(mm);
              if (mm !== null && marks.scale?.by === 'rod')
                work.say({
                  kind: 'photo_marked',
                  photo: photo.id,
                  marks: { ...marks, scale: { ...marks.scale, length_mm: mm } },
                });
            }}
          />
          {height && photo.view !== 'top' && (
            <button
              type="button"
              className="min-h-12 text-left text-sm text-chalk underline"
              onClick={() =>
                work.say({
                  kind: 'photo_marked',
                  photo: photo.id,
                  marks: {
                    ...marks,
                    scale: { by: 'known_height', height_mm: height.value_mm },
                  },
                })
              }
            >
              No rod: scale by the height, {lengthText(height.value_mm, units)}
            </button>
          )}
          <Pick
            label="What to touch"
            hideLabel
            options={targets.map((t) => ({
              value: t.key,
              label: `${isTouched(t) ? '● ' : '○ '}${t.label}`,
            }))}
            value={inHand?.key ?? null}
            onPick={setInHand}
          />
          {reading?.missing.map((m) => (
            <p key={m} className="pt-2 text-sm">
              {m}
            </p>
          ))}
          {reading?.warnings.map((w) => (
            <Said key={w}>{w}</Said>
          ))}
          {reading && reading.measures.length > 0 && (
            <>
              <MarginHead>Off the photo</MarginHead>
              <table className="w-full text-sm">
                <tbody>
                  {reading.measures.map((m) => (
                    <tr key={m.measure} className="border-b border-line">
                      <th scope="row" className="py-1 text-left font-normal">
                        {work.words.measures.find((w) => w.measure === m.measure)?.label}
                      </th>
                      <td className="text-right font-mono">
                        {lengthText(m.value_mm, units)} ±{lengthText(m.doubt_mm, units)}
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
              <div className="flex flex-wrap gap-2 pt-2">
                <Plain onClick={take}>Use these</Plain>
                <Plain pressed={isOver} onClick={() => setOver(!isOver)}>
                  Drawn dog over it
                </Plain>
              </div>
            </>
          )}
        </>
      }
      next={props.next}
    />
  );
}

/** Asks the core what the marks measure, at every change. */
function useReading(marks: Marks, units: Schemas['UnitSystem']): Schemas['PhotoReading'] | null {
  const [reading, setReading] = useState<Schemas['PhotoReading'] | null>(null);
  const key = JSON.stringify({ marks, units });
  useEffect(() => {
    let isNewest = true;
    const body = JSON.parse(key) as { marks: Marks; units: Schemas['UnitSystem'] };
    ask(api.POST('/api/read-photo', { body })).then(
      (answer) => {
        if (isNewest) setReading(answer);
      },
      () => {
        // The last answer stays; the sign at the foot says that the server is away.
      },
    );
    return () => {
      isNewest = false;
    };
  }, [key]);
  return reading;
}
