import { useSearchParams } from 'react-router';
import type { Schemas } from '../../shared/api/client';
import { ViewChoice } from '../../shared/sheet/ViewChoice';
import { WorkScreen } from '../../shared/sheet/WorkScreen';
import { BigLink } from '../../shared/ui/BigControl';
import { MarginHead } from '../../shared/ui/controls';
import { dayText, lengthText, unitName } from '../../shared/units/show';
import { useVisitWork } from '../../shared/visit/context';
import { HandsTabs } from './HandsTabs';
import { OwnTypeMaker } from './OwnTypeMaker';

/** Frames over time: each measure as a small curve; an earlier visit's frame over this one's. */
export function TimeScreen() {
  const work = useVisitWork();
  const [search, setSearch] = useSearchParams();
  const over = search.get('over');
  const past = work.past;
  const lay = (visit: string | null) =>
    setSearch(
      (now) => {
        if (visit) now.set('over', visit);
        else now.delete('over');
        return now;
      },
      { replace: true },
    );
  return (
    <WorkScreen
      title="Over time"
      foot={<ViewChoice />}
      margin={
        <>
          <HandsTabs />
          {past && past.frames.length === 0 && (
            <p>This dog was not measured before. What is measured today stands here next time.</p>
          )}
          {past && past.frames.length > 0 && (
            <>
              <MarginHead>Lay an earlier frame over this one</MarginHead>
              <div className="grid gap-1">
                {past.frames.map((f) => (
                  <button
                    key={f.visit}
                    type="button"
                    aria-pressed={over === f.visit}
                    className="min-h-12 border border-ink px-3 text-left aria-pressed:taped"
                    onClick={() => lay(over === f.visit ? null : f.visit)}
                  >
                    {dayText(f.began_ms)}
                  </button>
                ))}
              </div>
              <MarginHead>Measures over time</MarginHead>
              {past.measures.map((m) => (
                <Curve key={m.measure} history={m} />
              ))}
            </>
          )}
          <OwnTypeMaker />
        </>
      }
      next={<BigLink to={`/visit/${work.visitId}/coat`}>Feel the coat</BigLink>}
    />
  );
}

const [WIDTH, HEIGHT] = [120, 34];

function Curve({ history }: { history: Schemas['MeasureHistory'] }) {
  const work = useVisitWork();
  const { units } = work.house;
  const now = work.evaluation.visit.frame.measures[history.measure];
  const points = [
    ...history.readings.map((r) => ({ at: r.began_ms, mm: r.value_mm, doubt: r.doubt_mm })),
    ...(now
      ? [
          {
            at: work.beganMs,
            mm: now.value_mm,
            doubt: work.evaluation.frame.find((v) => v.measure === history.measure)?.doubt_mm ?? 0,
          },
        ]
      : []),
  ];
  const [t0, t1] = [points[0]?.at ?? 0, points.at(-1)?.at ?? 1];
  const low = Math.min(...points.map((p) => p.mm - p.doubt));
  const high = Math.max(...points.map((p) => p.mm + p.doubt));
  const x = (at: number) => 6 + ((at - t0) / Math.max(1, t1 - t0)) * (WIDTH - 12);
  const y = (mm: number) => HEIGHT - 4 - ((mm - low) / Math.max(1, high - low)) * (HEIGHT - 8);
  const isChanged = work.evaluation.changed.includes(history.measure);
  const last = points.at(-1);
  return (
    <div className="flex items-center gap-2 border-b border-line py-1">
      <span className="min-w-0 flex-1 leading-tight">
        {history.label}
        {isChanged && <span className="block text-sm font-bold">changed since last time</span>}
      </span>
      <svg width={WIDTH} height={HEIGHT} role="img" aria-label={`${history.label} over time`}>
        <polyline
          points={points.map((p) => `${x(p.at)},${y(p.mm)}`).join(' ')}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={1.5}
        />
        {points.map((p) => (
          <g key={p.at}>
            <line
              x1={x(p.at)}
              x2={x(p.at)}
              y1={y(p.mm - p.doubt)}
              y2={y(p.mm + p.doubt)}
              stroke="var(--soft)"
            />
            <circle cx={x(p.at)} cy={y(p.mm)} r={2.5} fill="var(--ink)" />
          </g>
        ))}
      </svg>
      <span className="w-16 text-right font-mono">
        {last ? lengthText(last.mm, units) : ''} <span className="text-sm">{unitName(units)}</span>
      </span>
    </div>
  );
}
