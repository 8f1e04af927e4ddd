import type { Schemas } from '../../shared/api/client';
import { MarginHead, Plain } from '../../shared/ui/controls';
import { useVisitWork } from '../../shared/visit/context';

const SIGNS: Record<Schemas['Reached']['when'], string> = {
  now: '●',
  after: '◐',
  not_this_coat: '○',
  not_this_frame: '○',
};

/** Which ratios of the picture this dog can have, and when. */
export function Likeness({ offer }: { offer: Schemas['PictureOffer'] }) {
  const work = useVisitWork();
  const { look, likeness, nearest } = offer;
  const own = work.evaluation.visit.own_look ?? null;
  // As it was touched when it was taken: a place touched since asks to be taken again.
  const isTaken = own?.id === look.id && JSON.stringify(own.aims) === JSON.stringify(look.aims);
  return (
    <>
      <MarginHead>On this dog</MarginHead>
      <p data-likeness>{likeness.sentence}</p>
      <p className="pt-1">
        Nearest look: <b>{nearest}</b>.
      </p>
      <ul className="pt-1">
        {likeness.ratios.map((row) => (
          <li key={row.aim} className="border-t border-line py-1">
            <span className="flex justify-between gap-2">
              <span>
                <span aria-hidden>{SIGNS[row.reached.when]}</span> {row.label}
              </span>
              <span className="font-mono whitespace-nowrap">
                {row.picture.toFixed(2)} · {row.here.toFixed(2)}
              </span>
            </span>
            <span className="block text-sm text-soft">{row.sentence}</span>
          </li>
        ))}
      </ul>
      <p className="pb-2 text-sm text-soft">First the picture’s ratio, then this dog’s today.</p>
      <Plain pressed={isTaken} onClick={() => work.say({ kind: 'own_look_set', own: look })}>
        {isTaken ? 'Agreed: work to this picture' : 'Work to this picture'}
      </Plain>
    </>
  );
}
