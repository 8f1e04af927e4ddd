import { useChoices } from '../../shared/api/choices';
import { nowMs } from '../../shared/clock/now';
import type { Schemas } from '../../shared/api/client';
import type { House, Tool } from '../../shared/api/salon';
import { Choice, Plain, Said } from '../../shared/ui/controls';
import { LengthField } from '../../shared/ui/LengthField';
import { ToolTaught } from './ToolTaught';
import { usePutTool } from './usePutTool';

/** The tool touched on the rail: what it leaves, how it cuts, what the log says of it. */
export function ToolPanel(props: {
  tool: Tool;
  units: House['units'];
  log: Schemas['SalonLog'] | null;
  /** Whether clippers are named, so that what fits which matters. */
  hasFits: boolean;
}) {
  const { tool_states, clipper_fits } = useChoices();
  const { tool, units, log, hasFits } = props;
  const put = usePutTool();
  const name = `${tool.printed} ${tool.kind}`;
  return (
    <section aria-label={name}>
      <h2 className="text-3xl font-bold">{name}</h2>
      {tool.retired && <p className="text-soft">Put away: no plan uses it.</p>}
      <LengthField
        name={`tool.${tool.id}`}
        label="leaves"
        valueMm={tool.leaves_mm}
        units={units}
        onValue={(mm) => {
          if (mm !== null) put.mutate({ ...tool, leaves_mm: mm });
        }}
      />
      {tool.kind === 'blade' && tool.fits === 'adjustable' && (
        <LengthField
          name={`tool.to.${tool.id}`}
          label="set to at most"
          valueMm={tool.to_mm ?? null}
          units={units}
          onValue={(to_mm) => put.mutate({ ...tool, to_mm })}
        />
      )}
      {!tool.retired && (
        <Choice
          label="How it cuts"
          columns={2}
          options={tool_states ?? []}
          value={tool.state ?? 'fine'}
          onChange={(state) => put.mutate({ ...tool, state })}
        />
      )}
      {hasFits && (
        <Choice
          label="What it fits"
          columns={2}
          options={clipper_fits ?? []}
          value={tool.fits ?? 'any'}
          onChange={(fits) => put.mutate({ ...tool, fits })}
        />
      )}
      {log && (
        <ToolTaught
          tool={tool}
          log={log}
          units={units}
          onLeaves={(leaves_mm) => put.mutate({ ...tool, leaves_mm })}
        />
      )}
      <div className="flex flex-wrap gap-2 pt-2">
        {tool.kind === 'blade' && !tool.retired && tool.state !== 'tooth_missing' && (
          <Plain
            label={`Sharpened: the ${name}, today`}
            onClick={() => put.mutate({ ...tool, state: 'fine', sharpened_ms: nowMs() })}
          >
            Sharpened
          </Plain>
        )}
        <Plain
          label={`${tool.retired ? 'Hang up' : 'Put away'} the ${name}`}
          onClick={() => put.mutate({ ...tool, retired: !tool.retired })}
        >
          {tool.retired ? 'Hang up' : 'Put away'}
        </Plain>
      </div>
      {put.error && <Said>{put.error.message}</Said>}
    </section>
  );
}
