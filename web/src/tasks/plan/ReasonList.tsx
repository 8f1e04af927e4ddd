import type { Schemas } from '../../shared/api/client';
import { useSheetDrawing } from '../../shared/visit/context';

/**
 * What stays off and what holds it. On the dog each is a note at its place; what found no paper there is a
 * numbered pin, and has its number here.
 */
export function ReasonList({ reasons }: { reasons: Schemas['Reason'][] }) {
  const pinned = pinsOf(useSheetDrawing());
  return (
    <ol className="pt-3" aria-label="What stays off, and why">
      {reasons.map((reason, i) => (
        <li key={reason.judged} data-reason={i + 1} tabIndex={-1} className="flex gap-3 pb-4">
          {pinned.has(i + 1) && (
            <span className="font-mono text-lg font-bold text-pin">{i + 1}</span>
          )}
          <span>
            <span className="block text-lg leading-tight">{reason.fault}</span>
            <span className="block text-sm text-soft">{reason.remedy}</span>
          </span>
        </li>
      ))}
    </ol>
  );
}

/** Numbers of the pins on a drawing. */
function pinsOf(drawing: Schemas['Drawing']): Set<number> {
  const pins = drawing.shapes.filter((shape) => shape.role === 'pin');
  return new Set(pins.flatMap(({ tag }) => (tag?.of === 'pin' ? [tag.which] : [])));
}
