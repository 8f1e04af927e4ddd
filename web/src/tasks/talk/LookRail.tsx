import type { Schemas } from '../../shared/api/client';
import { Drawing } from '../../shared/sheet/Drawing';

type LookId = Schemas['LookId'];

/** Looks on a rail, each on this dog, in an order that does not change under the finger. */
export function LookRail(props: {
  offers: Schemas['Offers'];
  order: LookId[];
  laid: LookId;
  onLay: (look: LookId) => void;
}) {
  const { offers, order, laid } = props;
  return (
    <ol
      aria-label="Looks, best first"
      tabIndex={0}
      className="flex shrink-0 gap-1 overflow-x-auto border-b-2 border-ink bg-sheet"
    >
      {order.map((look) => {
        const offer = offers.offers.find((o) => o.look === look);
        const small = offers.rail.find((r) => r.look === look);
        if (!offer || !small) return null;
        return (
          <li key={look} className="w-26 shrink-0">
            <button
              type="button"
              aria-pressed={look === laid}
              title={offer.sentence || offer.name}
              className="flex h-full w-full flex-col border-b-8 border-transparent px-1 text-center leading-tight aria-pressed:border-tape aria-pressed:font-bold"
              onClick={() => props.onLay(look)}
            >
              <span className="block h-20 w-full">
                <Drawing drawing={small.drawing} />
              </span>
              <span className="block pt-1 pb-1 text-sm">{offer.name}</span>
            </button>
          </li>
        );
      })}
    </ol>
  );
}
