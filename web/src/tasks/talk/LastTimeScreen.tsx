import { useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { WorkScreen } from '../../shared/sheet/WorkScreen';
import { BigLink } from '../../shared/ui/BigControl';
import { Disclosed } from '../../shared/ui/Disclosed';
import { Choice, MarginHead, Plain } from '../../shared/ui/controls';
import { LengthField } from '../../shared/ui/LengthField';
import { ZonePicker } from '../../shared/ui/ZonePicker';
import { dayText, lengthText, unitName } from '../../shared/units/show';
import { useVisitWork } from '../../shared/visit/context';
import { TalkTabs } from './TalkTabs';

type Zone = Schemas['Zone'];

/** What was done last time, to do again or to do otherwise. */
export function LastTimeScreen() {
  const work = useVisitWork();
  const [zone, setZone] = useState<Zone | null>(null);
  const { past } = work;
  const last = past?.last ?? null;
  const zones = past?.zones ?? [];
  const found = zones.find((z) => z.zone === zone);
  return (
    <WorkScreen
      title="Last time"
      chosen={zone ? { of: 'zone', which: zone } : null}
      onTouch={(tag) => {
        if (tag.of === 'zone') setZone(tag.which);
      }}
      margin={
        <>
          <TalkTabs />
          {past && !last && <p>This is the first visit; there is nothing to repeat.</p>}
          {last && <LastVisit last={last} />}
          {past?.season && <ThisSeason season={past.season} />}
          {past?.growth && (
            <p className="pt-2">
              This coat grows{' '}
              <b className="font-mono">
                {past.growth.value.toFixed(2)} ±{past.growth.doubt.toFixed(2)}
              </b>{' '}
              times as fast as its kind, from {past.growth.readings}{' '}
              {past.growth.readings === 1 ? 'reading' : 'readings'}.
            </p>
          )}
          {zones.length > 0 && (
            <>
              <MarginHead>Something the owner did not like</MarginHead>
              <ZonePicker
                zones={work.words.zones.filter((word) => zones.some((z) => z.zone === word.zone))}
                value={zone}
                onChange={setZone}
              />
              {found && <Complaint key={found.zone} past={found} />}
            </>
          )}
        </>
      }
      next={<BigLink to={`/visit/${work.visitId}/hands`}>Feel the dog</BigLink>}
    />
  );
}

function LastVisit({ last }: { last: Schemas['LastVisit'] }) {
  const work = useVisitWork();
  const { units } = work.house;
  const { record, recipe } = last;
  const taken = recipe != null && isSame(work.evaluation.visit.recipe ?? null, recipe);
  const words = [record.behaviour, record.products, record.told].filter(Boolean);
  const grows = record.grow.map(
    (zone) => work.words.zones.find((w) => w.zone === zone)?.label ?? zone,
  );
  return (
    <>
      <MarginHead>
        {dayText(last.began_ms)}, {last.days} days ago
      </MarginHead>
      {recipe ? (
        <p>
          <b>{recipe.look_name}</b>
        </p>
      ) : (
        <p>No plan was saved; the lengths are not known.</p>
      )}
      <ul className="list-outside list-disc pl-5">
        {words.map((text) => (
          <li key={text}>{text}</li>
        ))}
        {grows.length > 0 && <li>To grow: {grows.join(', ')}</li>}
        {record.unfinished && <li className="font-bold">Unfinished: {record.unfinished}</li>}
        {last.left_undone.map((text) => (
          <li key={text}>{text}</li>
        ))}
        {last.notes.map((text, i) => (
          <li key={i}>{text}</li>
        ))}
      </ul>
      {recipe && (
        <>
          <div className="pt-2">
            <Plain
              pressed={taken}
              onClick={() => work.say({ kind: 'recipe_taken', recipe: taken ? null : recipe })}
            >
              {taken ? 'Same again: taken' : 'Same again'}
            </Plain>
          </div>
          <Disclosed says="What was left, zone by zone">
            <ul>
              {recipe.zones.map((zone) => (
                <li key={zone.zone} className="border-t border-line py-1">
                  <span className="flex justify-between">
                    <span>{zone.label}</span>
                    <b className="font-mono">{spanText(zone, units)}</b>
                  </span>
                  <span className="block text-sm text-soft">
                    {zone.how}
                    {zone.was_measured && ', measured after'}
                  </span>
                </li>
              ))}
            </ul>
          </Disclosed>
          {(recipe.sites?.length ?? 0) > 0 && (
            <Disclosed says="Small places, and with what">
              <ul>
                {recipe.sites?.map((done) => (
                  <li
                    key={done.site}
                    className="flex justify-between gap-3 border-t border-line py-1"
                  >
                    <span>{done.label}</span>
                    <span className="text-right text-soft">
                      {[done.tool, done.leaves].filter(Boolean).join(', ')}
                    </span>
                  </li>
                ))}
              </ul>
            </Disclosed>
          )}
        </>
      )}
    </>
  );
}

/** What was done at this time of an earlier year, with what it leaves otherwise. */
function ThisSeason({ season }: { season: Schemas['SeasonRecipe'] }) {
  const work = useVisitWork();
  const { units } = work.house;
  const { recipe } = season;
  const isTaken = isSame(work.evaluation.visit.recipe ?? null, recipe);
  return (
    <>
      <MarginHead>This time of the year: {dayText(season.began_ms)}</MarginHead>
      <p>
        <b>{recipe.look_name}</b>
      </p>
      <ul className="pb-2">
        {season.differs.map((zone) => (
          <li key={zone.zone} className="flex justify-between border-t border-line py-1">
            <span>{zone.label}</span>
            <span>
              <b className="font-mono">{lengthText(zone.then_mm, units)}</b>
              <span className="text-soft">
                , last time <span className="font-mono">{lengthText(zone.last_mm, units)}</span>
              </span>
            </span>
          </li>
        ))}
      </ul>
      <Plain pressed={isTaken} onClick={() => work.say({ kind: 'recipe_taken', recipe })}>
        {isTaken ? 'As then: taken' : 'As then'}
      </Plain>
    </>
  );
}

/** Whether two recipes leave the same. */
function isSame(one: Schemas['Recipe'] | null, other: Schemas['Recipe']): boolean {
  const left = ({ zones }: Schemas['Recipe']) =>
    zones.map((zone) => [zone.zone, zone.from_mm, zone.to_mm].join(' ')).join();
  return one?.look_name === other.look_name && left(one) === left(other);
}

function spanText(zone: Schemas['RecipeZone'], units: Schemas['UnitSystem']): string {
  const [from, to] = [zone.from_mm, zone.to_mm].map((mm) => lengthText(mm, units));
  return from === to ? `${from}` : `${from}–${to}`;
}

/** What was left there, when, and what the owner wants instead. */
function Complaint({ past }: { past: Schemas['ZonePast'] }) {
  const work = useVisitWork();
  const { units } = work.house;
  const [began, setBegan] = useState(past.left[0]?.began_ms ?? 0);
  const [wants, setWants] = useState<Schemas['Wants']>('shorter');
  const [byMm, setByMm] = useState<number | null>(past.touch_mm);
  const then = past.left.find((left) => left.began_ms === began);
  const said = work.evaluation.visit.corrections?.find((c) => c.zone === past.zone);
  return (
    <div className="pt-2">
      <ul>
        {past.left.map((left) => (
          <li key={left.began_ms}>
            <button
              type="button"
              aria-pressed={left.began_ms === began}
              className="min-h-12 w-full border-t border-line py-1 text-left aria-pressed:border-l-8 aria-pressed:border-l-ink aria-pressed:pl-2"
              onClick={() => setBegan(left.began_ms)}
            >
              {dayText(left.began_ms)}:{' '}
              <b className="font-mono">{lengthText(left.left_mm, units)}</b> {unitName(units)}{' '}
              {left.was_measured ? 'measured' : 'planned'}, today about{' '}
              <b className="font-mono">{lengthText(left.today_mm, units)}</b>
            </button>
          </li>
        ))}
      </ul>
      <Choice
        label="The owner wants it"
        columns={2}
        options={work.words.choices.wants}
        value={wants}
        onChange={setWants}
      />
      <LengthField
        name={`${work.visitId}.correction.${past.zone}`}
        label="By"
        valueMm={byMm}
        units={units}
        onValue={setByMm}
      />
      <Plain
        disabled={!then || byMm === null || byMm <= 0}
        onClick={() => {
          if (then && byMm !== null)
            work.say({
              kind: 'corrected',
              correction: {
                zone: past.zone,
                began_ms: then.began_ms,
                left_mm: then.left_mm,
                wants,
                by_mm: byMm,
              },
            });
        }}
      >
        Make it a limit
      </Plain>
      {said && (
        <p role="status" className="pt-2">
          {past.label}: {lengthText(said.by_mm, units)} {unitName(units)} {said.wants} than the{' '}
          {lengthText(said.left_mm, units)} of {dayText(said.began_ms)}. It is a limit now.
        </p>
      )}
    </div>
  );
}
