import type { Schemas } from '../../shared/api/client';
import type { Tool } from '../../shared/api/salon';
import { Plain } from '../../shared/ui/controls';
import { dayText, lengthText, minutesText, unitName } from '../../shared/units/show';

/** A learnt length nearer than this to the one in use changes nothing, mm. */
const SAME_MM = 0.05;

/** What the log says of a tool: how long it ran, and what it really leaves. */
export function ToolTaught(props: {
  tool: Tool;
  log: Schemas['SalonLog'];
  units: Schemas['UnitSystem'];
  onLeaves: (mm: number) => void;
}) {
  const { tool, log, units } = props;
  const work = log.work.find((w) => w.tool === tool.id);
  const leaves = log.tools.find((t) => t.tool === tool.id)?.leaves;
  if (!work && !leaves && tool.sharpened_ms == null) return null;
  const text = (mm: number) => lengthText(mm, units);
  return (
    <div className="flex flex-wrap items-center gap-3 pb-1 text-sm">
      {work && (
        <span>
          ran {minutesText(work.minutes)} at {work.grooms} {work.grooms === 1 ? 'groom' : 'grooms'},
          last on {dayText(work.last_ms)}
          {tool.sharpened_ms != null && `, ${minutesText(work.since_sharpened)} since sharpened`}
          {work.oiled_ms != null && `, oiled on ${dayText(work.oiled_ms)}`}
          {work.hot > 0 && `, ran hot ${work.hot === 1 ? 'once' : `${work.hot} times`}`}
        </span>
      )}
      {tool.sharpened_ms != null && <span>sharpened on {dayText(tool.sharpened_ms)}</span>}
      {leaves && (
        <span>
          really leaves{' '}
          <b className="font-mono">
            {text(leaves.value)} ±{text(leaves.doubt)}
          </b>{' '}
          {unitName(units)}, from {leaves.readings} {leaves.readings === 1 ? 'reading' : 'readings'}
        </span>
      )}
      {leaves && Math.abs(leaves.value - tool.leaves_mm) > SAME_MM && (
        <Plain onClick={() => props.onLeaves(Math.round(leaves.value * 10) / 10)}>
          Plan with {text(leaves.value)}
        </Plain>
      )}
    </div>
  );
}
