import type { Schemas } from '../../shared/api/client';
import type { House, Tool } from '../../shared/api/salon';
import { lengthText, unitName } from '../../shared/units/show';
import { HEAD_PX, Hung, SCALE } from './Hung';
import { STATES } from './states';

/** So many combs that would better most plans hang there dotted. */
const WANTED = 2;
/** Between two marks of the rule, mm. */
const TICK_MM = 10;

/** Blades and combs on their rail, by the length each leaves, to scale; what is missing hangs dotted. */
export function Rail(props: {
  kit: Tool[];
  units: House['units'];
  buy: Schemas['Buy'][];
  chosen: string | null;
  onChoose: (id: string) => void;
}) {
  const { kit, units, chosen } = props;
  const inUse = kit.filter((tool) => !tool.retired);
  const away = kit.filter((tool) => tool.retired);
  const wanted = props.buy.slice(0, WANTED);
  const longest = Math.max(0, ...kit.map((t) => t.leaves_mm), ...wanted.map((b) => b.leaves_mm));
  const hung = [
    ...inUse.map((tool) => ({ mm: tool.leaves_mm, tool, buy: null })),
    ...wanted.map((buy) => ({ mm: buy.leaves_mm, tool: null, buy })),
  ].sort((a, b) => a.mm - b.mm);
  return (
    <div className="bg-sheet p-4">
      <div className="flex">
        <Rule toMm={longest} units={units} />
        <ul
          aria-label="On the rail"
          className="flex min-w-0 flex-1 flex-wrap gap-y-4 border-t-4 border-ink"
        >
          {hung.map(({ tool, buy, mm }) =>
            tool ? (
              <li key={tool.id}>
                <HungTool
                  tool={tool}
                  isChosen={tool.id === chosen}
                  onChoose={() => props.onChoose(tool.id)}
                />
              </li>
            ) : (
              <li key={`wanted ${mm}`} className="w-16 text-center" aria-label={buy.sentence}>
                <Hung mm={mm} kind="comb" isDotted />
                <span className="font-bold text-pin">no {lengthText(mm, units)}</span>
              </li>
            ),
          )}
        </ul>
      </div>
      {wanted.length > 0 && (
        <ul className="pt-3 pl-14 text-chalk">
          {wanted.map((buy) => (
            <li key={buy.leaves_mm}>{buy.sentence}</li>
          ))}
        </ul>
      )}
      {away.length > 0 && (
        <>
          <h2 className="pt-5 pb-1 text-sm text-soft">Turned to the wall: no plan uses them</h2>
          <ul aria-label="Put away" className="flex flex-wrap border-t-4 border-line">
            {away.map((tool) => (
              <li key={tool.id}>
                <HungTool
                  tool={tool}
                  isChosen={tool.id === chosen}
                  onChoose={() => props.onChoose(tool.id)}
                />
              </li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}

function HungTool(props: { tool: Tool; isChosen: boolean; onChoose: () => void }) {
  const { tool } = props;
  const state = tool.state ?? 'fine';
  return (
    <button
      type="button"
      aria-pressed={props.isChosen}
      onClick={props.onChoose}
      className="min-h-12 w-16 pb-1 text-center leading-tight aria-pressed:bg-ink aria-pressed:text-page"
    >
      <Hung mm={tool.leaves_mm} kind={tool.kind} isWorn={state === 'tooth_missing'} />
      <span className="block font-bold break-words">
        {tool.printed} <span className="sr-only">{tool.kind}</span>
      </span>
      {state !== 'fine' && !tool.retired && (
        <span className={`block text-sm ${props.isChosen ? '' : 'text-pin'}`}>
          {STATES.find((s) => s.value === state)?.label}
        </span>
      )}
    </button>
  );
}

/** The rule beside the teeth. */
function Rule({ toMm, units }: { toMm: number; units: House['units'] }) {
  const ticks = Array.from({ length: Math.floor(toMm / TICK_MM) + 1 }, (_, i) => i * TICK_MM);
  return (
    <svg
      className="w-12 shrink-0 text-soft"
      height={HEAD_PX + toMm * SCALE + 12}
      aria-label={`Lengths in ${unitName(units)}`}
      role="img"
    >
      <path d={`M47 ${HEAD_PX}V${HEAD_PX + toMm * SCALE}`} stroke="currentColor" strokeWidth="2" />
      {ticks.map((mm) => (
        <g key={mm}>
          <path d={`M39 ${HEAD_PX + mm * SCALE}h8`} stroke="currentColor" strokeWidth="2" />
          <text
            x="34"
            y={HEAD_PX + mm * SCALE + 4}
            textAnchor="end"
            fontSize="13"
            fill="currentColor"
          >
            {lengthText(mm, units)}
          </text>
        </g>
      ))}
    </svg>
  );
}
