import type { Schemas } from '../../shared/api/client';
import { MarginHead, Plain } from '../../shared/ui/controls';
import { useVisitWork } from '../../shared/visit/context';
import { capital } from '../../shared/units/capital';

/** Parts that knotted at visit after visit: proposed to go, with what that costs. */
export function KnotsAgain({ parts }: { parts: Schemas['KnotsAgain'][] }) {
  const work = useVisitWork();
  if (parts.length === 0) return null;
  return (
    <section aria-label="Knots again">
      <MarginHead>Knots again and again</MarginHead>
      {parts.map(({ part, label, sentence }) => (
        <div key={part} className="flex items-center gap-2 border-t border-line py-1">
          <span className="flex-1">{sentence}</span>
          <Plain
            label={`Take off the ${label}`}
            onClick={() => work.say({ kind: 'part_wished', part, wish: 'take_off' })}
          >
            Take off
          </Plain>
        </div>
      ))}
      <p className="pt-1 text-sm text-soft">Ask the owner first; it is their dog.</p>
    </section>
  );
}

/** Tightly knotted zones: brush, cut with the coat, or clear, the cheapest first. */
export function KnotWays({ zones }: { zones: Schemas['KnottedZone'][] }) {
  const work = useVisitWork();
  if (zones.length === 0) return null;
  const { coat } = work.evaluation.visit;
  const take = (zone: Schemas['Zone'], offer: Schemas['KnotOffer']) => {
    if (offer.way === 'brush') work.say({ kind: 'knots_set', zone, knots: 'few' });
    else {
      const limit = {
        ...coat.limits[zone],
        not_longer_mm: offer.leaves_mm,
        because: 'knots' as const,
      };
      work.say({ kind: 'limit_set', zone, limit });
    }
  };
  return (
    <section aria-label="Knots">
      <MarginHead>Knots</MarginHead>
      {zones.map(({ zone, label, ways }) => (
        <div key={zone} className="border-t border-line py-1" data-knots={zone}>
          <h3 className="font-bold">{capital(label)}</h3>
          <ol>
            {ways.map((offer) => (
              <li key={offer.way} className="flex items-center gap-2 py-1">
                <span className="flex-1">{offer.sentence}</span>
                {offer.way !== 'cut_with' && (
                  <Plain
                    label={`${offer.way === 'brush' ? 'Brush' : 'Clear'} the ${label}`}
                    onClick={() => take(zone, offer)}
                  >
                    {offer.way === 'brush' ? 'Brush' : 'Clear'}
                  </Plain>
                )}
              </li>
            ))}
          </ol>
        </div>
      ))}
      <p className="pt-1 text-sm text-soft">
        Stop where the dog minds it; skin beneath may be sore. Ask the owner before a short clip.
      </p>
    </section>
  );
}
