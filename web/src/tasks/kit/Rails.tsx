import { useChoices, wordOf } from '../../shared/api/choices';
import type { Schemas } from '../../shared/api/client';
import type { House, Tool } from '../../shared/api/salon';
import { lengthText, unitName } from '../../shared/units/show';
import { HEAD_PX, Hung, SCALE } from './Hung';

/** So many combs that would better most plans hang there dotted. */
const WANTED = 2;
/** Between two marks of the rule, mm. */
const TICK_MM = 10;

/** Blades and combs on their rails, by the length each leaves, to scale; what is missing hangs dotted. */
export function Rails(props: {
  kit: Tool[];
  units: House['units'];
  buy: Schemas['Buy'][];
  chosen: string | null;
  onChoose: (id: string) => void;
}) {
  const { kit, units, chosen, onChoose } = props;
  const wanted = props.buy.slice(0, WANTED);
  const away = kit.filter((tool) => tool.retired);
  const of = (kind: Tool['kind']) => kit.filter((tool) => tool.kind === kind && !tool.retired);
  const rail = { units, chosen, onChoose };
  return (
    <div className="bg-sheet p-4">
      <Rail label="Blades" tools={of('blade')} wanted={[]} {...rail} />
      <Rail label="Combs" tools={of('comb')} wanted={wanted} {...rail} />
      {wanted.length > 0 && (
        <ul className="pl-12 text-chalk">
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
                  onChoose={() => onChoose(tool.id)}
                />
              </li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}

/** One rail with its rule; nothing where nothing hangs. */
function Rail(props: {
  label: string;
  tools: Tool[];
  wanted: Schemas['Buy'][];
  units: House['units'];
  chosen: string | null;
  onChoose: (id: string) => void;
}) {
  const { tools, wanted, units } = props;
  const hung = [
    ...tools.map((tool) => ({ mm: tool.leaves_mm, tool, buy: null })),
    ...wanted.map((buy) => ({ mm: buy.leaves_mm, tool: null, buy })),
  ].sort((a, b) => a.mm - b.mm);
  if (hung.length === 0) return null;
  return (
    <div className="flex pb-4">
      <Rule toMm={Math.max(...hung.map(({ mm }) => mm))} units={units} />
      <ul
        aria-label={props.label}
        className="flex min-w-0 flex-1 flex-wrap gap-x-1 gap-y-4 border-t-4 border-ink"
      >
        {hung.map(({ tool, buy, mm }) =>
          tool ? (
            <li key={tool.id}>
              <HungTool
                tool={tool}
                isChosen={tool.id === props.chosen}
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
  );
}

function HungTool(props: { tool: Tool; isChosen: boolean; onChoose: () => void }) {
  const { tool } = props;
  const { tool_states } = useChoices();
  const state = tool.state ?? 'fine';
  return (
    <button
      type="button"
      aria-pressed={props.isChosen}
      onClick={props.onChoose}
      className="min-h-12 w-16 pb-1 text-center leading-tight aria-pressed:taped"
    >
      <Hung mm={tool.leaves_mm} kind={tool.kind} isWorn={state === 'tooth_missing'} />
      <span className="block font-bold break-words">
        {tool.printed} <span className="sr-only">{tool.kind}</span>
      </span>
      {state !== 'fine' && !tool.retired && (
        <span className={`block text-sm ${props.isChosen ? '' : 'text-pin'}`}>
          {wordOf(tool_states, state).toLowerCase()}
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
