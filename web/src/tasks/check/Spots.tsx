import { useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { LengthField } from '../../shared/ui/LengthField';
import { capital } from '../../shared/units/capital';
import { lengthText, unitName } from '../../shared/units/show';
import { problemOf, useVisitWork } from '../../shared/visit/context';
import { useRecord } from '../../shared/visit/useRecord';
import { isSeen } from './seen';

type Place = Schemas['WalkPlace'];
type Row = Schemas['ResultRow'];

/** The places of a stance: a question each, *good* or a length. */
export function Spots(props: {
  report: Schemas['FinishReport'];
  view: Schemas['WalkView'];
  ring: number | null;
  onRing: (ring: number | null) => void;
}) {
  const { places } = props.view;
  const spots = [...new Set(places.map((place) => place.looked.spot))];
  return (
    <ul>
      {spots.map((spot) => (
        <Spot
          key={spot}
          places={places.filter((place) => place.looked.spot === spot)}
          rows={props.report.rows}
          ring={props.ring}
          onRing={props.onRing}
        />
      ))}
    </ul>
  );
}

/** One question, of one place or of a left and a right. */
function Spot(props: {
  places: Place[];
  rows: Row[];
  ring: number | null;
  onRing: (ring: number | null) => void;
}) {
  const work = useVisitWork();
  const { places, rows, ring } = props;
  const [first] = places;
  const zone = first?.zone ?? null;
  const name = work.words.zones.find((word) => word.zone === zone)?.label;
  const row = rows.find((r) => r.zone === zone);
  const open = places.find((place) => place.number === ring);
  const isGood = places.every((place) => place.is_good);
  return (
    <li className="border-t border-line py-2" data-spot={first?.looked.spot}>
      <div className={row ? '' : 'flex items-center gap-3'}>
        <p className="flex-1 pb-1 text-lg leading-snug">
          {name && <b>{capital(name)}: </b>}
          {first?.asks}
        </p>
        <div className="flex gap-2">
          {row &&
            places.map((place) => (
              <Measured
                key={place.number}
                place={place}
                isOpen={place === open}
                onOpen={() => props.onRing(place === open ? null : place.number)}
              />
            ))}
          <button
            type="button"
            aria-pressed={isGood}
            aria-label={`${name ? capital(name) : first?.asks}: good`}
            className="ml-auto min-h-16 min-w-20 border-2 border-ink px-3 font-bold aria-pressed:taped"
            onClick={() => {
              const unsaid = places.filter((place) => !place.is_good);
              if (unsaid.length > 0)
                work.say({ kind: 'looked_at', places: unsaid.map((place) => place.looked) });
            }}
          >
            Good
          </button>
        </div>
      </div>
      {row && open && <ShortTape key={open.number} place={open} row={row} />}
    </li>
  );
}

/** What was measured at a ring, or the length planned; touched, it opens the short tape. */
function Measured(props: { place: Place; isOpen: boolean; onOpen: () => void }) {
  const { units } = useVisitWork().house;
  const { place } = props;
  const mm = place.left_mm ?? place.planned_mm;
  if (mm == null) return null;
  const side = place.looked.hand;
  return (
    <button
      type="button"
      aria-expanded={props.isOpen}
      data-ring={place.number}
      onClick={props.onOpen}
      className={`min-h-16 border-2 px-3 leading-tight ${isSeen(place) ? 'border-chalk' : 'border-dashed border-chalk'} aria-expanded:border-solid aria-expanded:bg-sheet`}
    >
      {side && <span className="text-soft">{side} </span>}
      <b className="font-mono">
        {place.left_mm == null ? place.planned : lengthText(mm, units)}
      </b>{' '}
      <span className="text-sm text-soft">
        {place.left_mm == null ? 'planned' : unitName(units)}
      </span>
    </button>
  );
}

/** A few lengths about the planned one, and any other. */
function ShortTape({ place, row }: { place: Place; row: Row }) {
  const work = useVisitWork();
  const { units } = work.house;
  const { zone } = row;
  const side = place.looked.hand === 'right' ? 'right_mm' : 'left_mm';
  const recorded = work.evaluation.visit.results?.[zone];
  const put = useRecord<Schemas['ZoneResult']>(recorded ?? row.result, (result) =>
    work.say({ kind: 'result_set', zone, result }),
  );
  const [isOther, setOther] = useState(false);
  const problem = problemOf(work, `result.${row.label}`)?.message;
  return (
    <div className="pt-2">
      <div
        role="group"
        aria-label={`${capital(place.label)}: left at`}
        className="grid auto-cols-fr grid-flow-col border border-ink bg-tape text-on-tape"
      >
        {place.choices_mm.map((mm) => (
          <button
            key={mm}
            type="button"
            aria-pressed={place.left_mm === mm}
            className="min-h-16 border-r border-on-tape/30 font-mono text-xl font-bold aria-pressed:bg-ink aria-pressed:text-tape"
            onClick={() => put({ [side]: mm })}
          >
            {lengthText(mm, units)}
          </button>
        ))}
        <button
          type="button"
          aria-expanded={isOther}
          aria-label="Another length"
          className="min-h-16 text-xl font-bold"
          onClick={() => setOther(!isOther)}
        >
          …
        </button>
      </div>
      {isOther && (
        <LengthField
          name={`${work.visitId}.walk.${side}.${zone}`}
          label={capital(place.label)}
          valueMm={recorded?.[side] ?? null}
          units={units}
          estimateMm={row.planned_mm}
          readOn={{ place: place.label, mostMm: row.most_mm ?? null }}
          problem={problem}
          onValue={(mm) => put({ [side]: mm })}
        />
      )}
    </div>
  );
}
