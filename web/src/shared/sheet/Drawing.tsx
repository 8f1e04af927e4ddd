import { memo } from 'react';
import type { Schemas } from '../api/client';
import { useInTurn } from './useInTurn';

type Shape = Schemas['Shape'];
type Tag = NonNullable<Shape['tag']>;

const ANCHORS = { start: 'start', middle: 'middle', end: 'end' } as const;

export function tagKey(tag: Tag): string {
  return `${tag.of}:${tag.which}`;
}

interface Props {
  drawing: Schemas['Drawing'];
  /** Another page than the drawing's own: left, bottom, right, top, mm. */
  page?: number[] | null;
  /** The view under the finger. */
  held?: string | null;
  className?: string;
  chosen?: string | null;
  onTouch?: (tag: Tag) => void;
}

/** Paints the core's drawing: shapes in millimetres, page y up. */
export const Drawing = memo(function Drawing(props: Props) {
  const { drawing, page, className, chosen, onTouch } = props;
  const parts = useInTurn(drawing, props.held ?? null);
  const [left, bottom, right, top] = (page ?? drawing.bounds_mm) as [
    number,
    number,
    number,
    number,
  ];
  const [width, height] = [right - left, top - bottom];
  const unit = Math.min(width, height);
  return (
    <svg
      className={`sheet-drawing ${className ?? ''}`}
      viewBox={`${left} ${-top} ${width} ${height}`}
      role="img"
      aria-label={drawing.title}
      preserveAspectRatio="xMidYMax meet"
    >
      {parts.map(({ view, shapes }) => (
        <ViewShapes key={view} {...{ shapes, unit, onTouch }} chosen={chosen ?? null} />
      ))}
    </svg>
  );
});

interface ViewProps {
  shapes: Shape[];
  unit: number;
  chosen: string | null;
  onTouch: ((tag: Tag) => void) | undefined;
}

const ViewShapes = memo(function ViewShapes({ shapes, ...paint }: ViewProps) {
  return (
    <g>
      {keyed(shapes).map(([key, shape]) => (
        <ShapeView key={key} shape={shape} {...paint} />
      ))}
    </g>
  );
});

/** Names shapes by what they mean, so that one more or less leaves the others where they are. */
function keyed(shapes: Shape[]): [string, Shape][] {
  const seen = new Map<string, number>();
  return shapes.map((shape) => {
    const name = `${shape.role} ${shape.geometry.type} ${shape.tag ? tagKey(shape.tag) : ''}`;
    const nth = seen.get(name) ?? 0;
    seen.set(name, nth + 1);
    return [`${name} ${nth}`, shape];
  });
}

interface ShapeProps {
  shape: Shape;
  unit: number;
  chosen: string | null;
  onTouch: ((tag: Tag) => void) | undefined;
}

/** Most shapes stay where they are while one measure is dragged: only the others are painted anew. */
const ShapeView = memo(PaintedShape, (a, b) => {
  return (
    a.unit === b.unit &&
    a.onTouch === b.onTouch &&
    a.chosen === b.chosen &&
    isSameShape(a.shape, b.shape)
  );
});

function isSameShape(a: Shape, b: Shape): boolean {
  if (a.role !== b.role || a.tag?.which !== b.tag?.which || a.tag?.of !== b.tag?.of) return false;
  const [g, h] = [a.geometry, b.geometry];
  if (g.type === 'fill' && h.type === 'fill') return isSameList(g.points_mm, h.points_mm);
  if (g.type === 'line' && h.type === 'line')
    return g.width_mm === h.width_mm && isSameList(g.points_mm, h.points_mm);
  if (g.type === 'strokes' && h.type === 'strokes')
    return g.width_mm === h.width_mm && isSameList(g.ends_mm, h.ends_mm);
  if (g.type === 'disc' && h.type === 'disc')
    return g.radius_mm === h.radius_mm && isSameList(g.at_mm, h.at_mm);
  if (g.type === 'text' && h.type === 'text')
    return (
      g.text === h.text &&
      g.size_mm === h.size_mm &&
      g.anchor === h.anchor &&
      isSameList(g.at_mm, h.at_mm)
    );
  return false;
}

function isSameList(a: number[], b: number[]): boolean {
  return a.length === b.length && a.every((value, i) => value === b[i]);
}

function PaintedShape({ shape, unit, chosen, onTouch }: ShapeProps) {
  const { role, geometry: g, tag } = shape;
  const isCarrier = tag?.of === 'measure' && tag.which === 'height_at_withers';
  const canTouch =
    tag &&
    onTouch &&
    (g.type === 'text' || g.type === 'fill' || g.type === 'disc' || tag.of === 'line');
  const name = [
    `r-${role}`,
    g.type === 'fill' ? 'fill' : '',
    canTouch ? 'touchable' : '',
    isCarrier ? 'carrier' : '',
    isCarrier && g.type === 'text' ? 'on-tape' : '',
    tag && tagKey(tag) === chosen ? 'chosen' : '',
  ].join(' ');
  const touch = canTouch ? { onClick: () => onTouch(tag) } : {};
  const data = tag ? { 'data-tag': tagKey(tag) } : {};
  switch (g.type) {
    case 'fill':
      return (
        <polygon className={name} points={flip(g.points_mm)} strokeWidth={1} {...touch} {...data} />
      );
    case 'line': {
      const points = flip(g.points_mm);
      return (
        <>
          <polyline
            className={name}
            points={points}
            fill="none"
            strokeWidth={g.width_mm}
            strokeLinecap="round"
            strokeLinejoin="round"
            {...data}
          />
          {canTouch && (
            <polyline
              className="touchable"
              points={points}
              fill="none"
              stroke="transparent"
              pointerEvents="stroke"
              strokeWidth={unit * FINGER}
              data-touch={tagKey(tag)}
              {...touch}
            />
          )}
        </>
      );
    }
    case 'strokes':
      return (
        <path
          className={name}
          d={strokes(g.ends_mm)}
          fill="none"
          strokeWidth={g.width_mm}
          strokeLinecap="round"
          {...data}
        />
      );
    case 'disc':
      return (
        <circle
          className={name}
          cx={g.at_mm[0]}
          cy={-(g.at_mm[1] ?? 0)}
          r={g.radius_mm}
          strokeWidth={unit * (role === 'ring' || role === 'ring_seen' ? 0.006 : 0.002)}
          {...touch}
          {...data}
        />
      );
    case 'text':
      return (
        <text
          className={name}
          x={g.at_mm[0]}
          y={-(g.at_mm[1] ?? 0)}
          fontSize={g.size_mm}
          textAnchor={ANCHORS[g.anchor]}
          {...touch}
          {...data}
        >
          {g.text}
        </text>
      );
  }
}

/** A finger on a line, against the page's shorter side: wide enough to be met, narrow enough for its neighbours. */
const FINGER = 0.036;

/** Each stroke from its one end to its other; page y up to screen y down. */
function strokes(ends: number[]): string {
  let out = '';
  for (let i = 0; i + 3 < ends.length; i += 4) {
    out += `M${ends[i]} ${-(ends[i + 1] ?? 0)}L${ends[i + 2]} ${-(ends[i + 3] ?? 0)}`;
  }
  return out;
}

/** Page y up to screen y down. */
function flip(points: number[]): string {
  let out = '';
  for (let i = 0; i + 1 < points.length; i += 2) {
    out += `${points[i]},${-(points[i + 1] ?? 0)} `;
  }
  return out;
}
