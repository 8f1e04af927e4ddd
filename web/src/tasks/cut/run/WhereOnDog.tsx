import type { Schemas } from '../../../shared/api/client';
import { Choice } from '../../../shared/ui/controls';
import { ZonePicker } from '../../../shared/ui/ZonePicker';
import { useVisitWork } from '../../../shared/visit/context';

type Hand = Schemas['Hand'];

export interface Where {
  zone: Schemas['Zone'] | null;
  /** On which side, where the zone stands twice; null where it does not, or nobody said. */
  hand: Hand | null;
  word: Schemas['ZoneWord'] | undefined;
  /** Whether zone and, where it stands twice, side are said. */
  isSaid: boolean;
}

/** What is said of a zone and a side, read together. */
export function whereOf(
  zones: Schemas['ZoneWord'][],
  zone: Schemas['Zone'] | null,
  side: Hand | null,
): Where {
  const word = zones.find((z) => z.zone === zone);
  const isPair = word?.is_pair === true;
  return {
    zone,
    hand: isPair ? side : null,
    word,
    isSaid: zone !== null && (!isPair || side !== null),
  };
}

/** Where on the dog: the zone, and its side where it stands twice. */
export function WhereOnDog(props: {
  where: Where;
  onZone: (zone: Schemas['Zone']) => void;
  onHand: (hand: Hand) => void;
}) {
  const work = useVisitWork();
  const { where } = props;
  return (
    <>
      <ZonePicker zones={work.words.zones} value={where.zone} onChange={props.onZone} />
      {where.word?.is_pair && (
        <div className="pt-2">
          <Choice
            label="On which side of the dog"
            columns={2}
            options={work.words.choices.hands}
            value={where.hand}
            onChange={props.onHand}
          />
        </div>
      )}
    </>
  );
}
