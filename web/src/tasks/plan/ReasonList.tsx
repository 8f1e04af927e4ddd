import { useLayoutEffect, useRef, useState, type RefObject } from 'react';
import type { Schemas } from '../../shared/api/client';

/** What stays off and what holds it; each tied by a line to its pin on the dog. */
export function ReasonList({ reasons }: { reasons: Schemas['Reason'][] }) {
  const list = useRef<HTMLOListElement>(null);
  return (
    <>
      <ol ref={list} className="pt-3" aria-label="What stays off, and why">
        {reasons.map((reason, i) => (
          <li key={reason.judged} data-reason={i + 1} tabIndex={-1} className="flex gap-3 pb-4">
            <span className="font-mono text-lg font-bold text-pin">{i + 1}</span>
            <span>
              <span className="block text-lg leading-tight">{reason.fault}</span>
              <span className="block text-sm text-soft">{reason.remedy}</span>
            </span>
          </li>
        ))}
      </ol>
      <Leaders list={list} count={reasons.length} />
    </>
  );
}

interface Line {
  from: [number, number];
  to: [number, number];
}

/** Lines from each sentence to its pin, drawn over the page. */
function Leaders(props: { list: RefObject<HTMLOListElement | null>; count: number }) {
  const [lines, setLines] = useState<Line[]>([]);
  const { list, count } = props;
  useLayoutEffect(() => {
    const measure = () => {
      const found: Line[] = [];
      list.current?.querySelectorAll('[data-reason]').forEach((item, i) => {
        const pin = document.querySelector(`circle[data-tag="pin:${i + 1}"]`);
        if (!pin) return;
        const [a, b] = [item.getBoundingClientRect(), pin.getBoundingClientRect()];
        const box = list.current?.closest('.overflow-y-auto')?.getBoundingClientRect();
        if (box && (a.top < box.top - 4 || a.top > box.bottom - 10)) return;
        found.push({
          from: [a.left - 4, a.top + 12],
          to: [b.right, b.top + b.height / 2],
        });
      });
      setLines(found);
    };
    measure();
    const timer = setInterval(measure, 300);
    return () => clearInterval(timer);
  }, [list, count]);
  return (
    <svg
      className="pointer-events-none fixed inset-0 h-full w-full max-[800px]:hidden"
      aria-hidden="true"
    >
      {lines.map(({ from, to }) => (
        <path
          key={`${from[1]}-${to[0]}`}
          d={`M${from[0]} ${from[1]}L${from[0] - 14} ${from[1]}L${from[0] - 34} ${to[1]}L${to[0]} ${to[1]}`}
          fill="none"
          stroke="var(--pin)"
          strokeWidth={1}
        />
      ))}
    </svg>
  );
}
