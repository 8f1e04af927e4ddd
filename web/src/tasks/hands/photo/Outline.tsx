import type { Schemas } from '../../../shared/api/client';

/** The drawn dog laid over the photo, at the photo's own scale, level and place. */
export function Outline(props: { drawing: Schemas['Drawing']; reading: Schemas['PhotoReading'] }) {
  const { origin_px, mm_per_px, tilt_deg } = props.reading;
  const place = props.drawing.views[0];
  if (!origin_px || !mm_per_px || !place) return null;
  const [ox, oy] = origin_px as [number, number];
  const [px, py] = place.origin_mm as [number, number];
  const k = 1 / mm_per_px;
  return (
    <g
      transform={`translate(${ox} ${oy}) rotate(${-tilt_deg}) scale(${k}) translate(${-px} ${py})`}
      data-outline
    >
      {props.drawing.shapes.map((shape, i) => {
        const { geometry: g } = shape;
        if (g.type !== 'line' || (shape.role !== 'plan_line' && shape.role !== 'skin')) return null;
        const points = g.points_mm.map((v, j) => (j % 2 === 0 ? v : -v)).join(' ');
        return (
          <polyline
            key={i}
            points={points}
            fill="none"
            stroke="var(--chalk)"
            strokeWidth={g.width_mm}
            strokeDasharray={shape.role === 'skin' ? '4 6' : undefined}
          />
        );
      })}
    </g>
  );
}
