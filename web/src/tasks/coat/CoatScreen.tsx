import { useRef, useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { spotOn } from '../../shared/sheet/place';
import { ViewChoice } from '../../shared/sheet/ViewChoice';
import { WorkScreen } from '../../shared/sheet/WorkScreen';
import { BigLink } from '../../shared/ui/BigControl';
import { Choice, MarginHead } from '../../shared/ui/controls';
import { LengthField } from '../../shared/ui/LengthField';
import { NumberField } from '../../shared/ui/NumberField';
import { ZonePicker } from '../../shared/ui/ZonePicker';
import { problemOf, useVisitWork } from '../../shared/visit/context';
import { Sites } from '../../shared/visit/Sites';
import { useRecord } from '../../shared/visit/useRecord';
import { ZoneMarksForm } from './ZoneMarksForm';

type Zone = Schemas['Zone'];

const NO_LIMIT: Schemas['Limit'] = {};
/** The coat: all over, then the zones that differ; knots; the owner's limits. */
export function CoatScreen() {
  const work = useVisitWork();
  const [zone, setZone] = useState<Zone | null>(null);
  const [site, setSite] = useState<Schemas['Site'] | null>(null);
  const { coat } = work.evaluation.visit;
  const wanted = useRef<((spot: Schemas['Spot']) => void) | null>(null);
  const place = (page: [number, number]) => {
    const spot = wanted.current && spotOn(work.evaluation, page);
    if (spot) {
      wanted.current?.(spot);
      wanted.current = null;
    }
  };
  return (
    <WorkScreen
      title="Coat"
      onPlace={place}
      foot={<ViewChoice />}
      chosen={zone ? { of: 'zone', which: zone } : null}
      onTouch={(tag) => {
        // While a place is waited for, a touch is that place.
        if (tag.of === 'zone' && !wanted.current) setZone(tag.which);
        if (tag.of === 'site') setSite(tag.which);
      }}
      margin={
        <>
          <AsLastTime />
          <MarginHead>All over</MarginHead>
          <LengthField
            name={`${work.visitId}.all-over`}
            label="Length, combed out"
            valueMm={coat.all_over_mm ?? null}
            units={work.house.units}
            estimateMm={work.evaluation.zones.find((z) => z.zone === 'back')?.length_mm ?? 0}
            onValue={(length_mm) => work.say({ kind: 'coat_all_over', length_mm })}
            hint="From the skin, drawn straight."
            problem={problemOf(work, 'coat.all_over')?.message}
          />
          <Choice
            label="Texture"
            options={work.words.textures.map((t) => ({ value: t.texture, label: t.label }))}
            value={coat.texture}
            onChange={(texture) => work.say({ kind: 'texture_set', texture })}
          />
          <Stand />
          <Choice
            label="Finish"
            options={work.words.choices.coat_finishes}
            columns={2}
            value={coat.finish ?? 'blown_straight'}
            onChange={(finish) => work.say({ kind: 'finish_set', finish })}
          />
          <MarginHead>Knots, holes, short places: touch</MarginHead>
          <ZonePicker zones={work.words.zones} value={zone} onChange={setZone} />
          {zone && (
            <ZonePart
              key={zone}
              zone={zone}
              onTouchNext={(put) => {
                wanted.current = put;
              }}
            />
          )}
          <Sites open={site} onOpen={setSite} />
        </>
      }
      next={<BigLink to={`/visit/${work.visitId}/look`}>Choose a look</BigLink>}
    />
  );
}

/** Every zone at once: last time's cut, grown since. */
function AsLastTime() {
  const work = useVisitWork();
  const grown = work.past?.coat;
  const { coat } = work.evaluation.visit;
  if (!grown) return null;
  // Where nobody combed it out yet, it stands here by itself.
  const stands =
    coat.grown_mm !== undefined &&
    coat.all_over_mm == null &&
    Object.keys(coat.zones_mm).length === 0;
  return (
    <div className="mb-3 border-l-4 border-chalk pl-3">
      <p className="leading-snug">
        {grown.is_from_plan ? 'Last time’s cut' : 'The coat as it came last time'}, grown for{' '}
        {grown.days} days{stands ? ', stands here until it is combed out' : ''}.
      </p>
      <button
        type="button"
        className="min-h-12 font-bold text-chalk underline"
        onClick={() => work.say({ kind: 'coat_grown', zones_mm: grown.zones_mm, days: grown.days })}
      >
        {stands ? 'Combed out: it is so' : 'Same again, grown since'}
      </button>
    </div>
  );
}

function Stand() {
  const work = useVisitWork();
  const { coat } = work.evaluation.visit;
  const usual = work.words.textures.find((t) => t.texture === coat.texture)?.stand ?? 0;
  return (
    <NumberField
      name={`${work.visitId}.stand`}
      label="Stand"
      aside="how much of its length it stands off"
      unit="%"
      value={coat.stand == null ? null : Math.round(coat.stand * 100)}
      placeholder={`~${Math.round(usual * 100)}`}
      example="85"
      onNumber={(percent) =>
        work.say({ kind: 'stand_set', stand: percent === null ? null : percent / 100 })
      }
      problem={problemOf(work, 'coat.stand')?.message}
    />
  );
}

function ZonePart(props: {
  zone: Zone;
  onTouchNext: (put: ((spot: Schemas['Spot']) => void) | null) => void;
}) {
  const { zone } = props;
  const work = useVisitWork();
  const { coat } = work.evaluation.visit;
  const value = work.evaluation.zones.find((z) => z.zone === zone);
  const label = value?.label ?? zone;
  const limit = coat.limits[zone] ?? NO_LIMIT;
  const { units } = work.house;
  const say = useRecord(limit, (whole) => work.say({ kind: 'limit_set', zone, limit: whole }));
  return (
    <div className="pt-2" aria-label={label} role="group">
      <LengthField
        name={`${work.visitId}.zone.${zone}`}
        label="Length now"
        valueMm={coat.zones_mm[zone] ?? null}
        {...(value ? { estimateMm: value.length_mm } : {})}
        units={units}
        onValue={(length_mm) => work.say({ kind: 'zone_set', zone, length_mm })}
        hint={value?.is_estimated ? 'As all over, until you say.' : undefined}
        problem={problemOf(work, `zone.${label}`)?.message}
      />
      <Choice
        label="Knots"
        options={work.words.choices.knots}
        value={coat.knots[zone] ?? 'none'}
        onChange={(knots) => work.say({ kind: 'knots_set', zone, knots })}
      />
      <ZoneMarksForm zone={zone} label={label} onTouchNext={props.onTouchNext} />
      <p className="pt-3 font-bold">The owner wants it</p>
      <LengthField
        name={`${work.visitId}.shorter.${zone}`}
        label="not shorter than"
        valueMm={limit.not_shorter_mm ?? null}
        units={units}
        onValue={(mm) => say({ not_shorter_mm: mm })}
      />
      <LengthField
        name={`${work.visitId}.longer.${zone}`}
        label="not longer than"
        valueMm={limit.not_longer_mm ?? null}
        units={units}
        onValue={(mm) => say({ not_longer_mm: mm })}
        problem={problemOf(work, `limit.${label}`)?.message}
      />
    </div>
  );
}
