import { useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { Schemas } from '../../../shared/api/client';
import { placeOf, type Half, type Marks, type Target } from './marks';

type XY = [number, number];

/** The magnifier's size on the photo against its width, and how much it magnifies. */
const LENS = 0.11;
const POWER = 3;

/** The photo with its marks, magnified under the finger; keys nudge the mark in hand. */
export function PhotoSheet(props: {
  photo: Schemas['Photo'];
  marks: Marks;
  half: Half;
  targets: Target[];
  inHand: Target | null;
  reading: Schemas['PhotoReading'] | null;
  outline: Schemas['Drawing'] | null;
  onTouch: (at: XY) => void;
  onNudge: (by: XY) => void;
}) {
  const { photo, inHand } = props;
  const [finger, setFinger] = useState<XY | null>(null);
  const { width, height } = photo;
  const href = `/api/photos/${photo.id}.jpg`;
  const at = (e: PointerEvent<SVGSVGElement>): XY | null => {
    const frame = e.currentTarget.getScreenCTM();
    if (!frame) return null;
    const p = new DOMPoint(e.clientX, e.clientY).matrixTransform(frame.inverse());
    return [Math.min(width, Math.max(0, p.x)), Math.min(height, Math.max(0, p.y))];
  };
  const keys = (e: KeyboardEvent) => {
    const step = e.shiftKey ? 10 : 1;
    const by: Record<string, XY> = {
      ArrowLeft: [-step, 0],
      ArrowRight: [step, 0],
      ArrowUp: [0, -step],
      ArrowDown: [0, step],
    };
    const move = by[e.key];
    if (!move) return;
    e.preventDefault();
    props.onNudge(move);
  };
  const r = width * 0.006;
  const lens = width * LENS;
  const shown = finger ?? null;
  return (
    <div className="min-h-0 flex-1 bg-sheet">
      <svg
        className="photo-sheet size-full touch-none"
        viewBox={`0 0 ${width} ${height}`}
        role="application"
        aria-label={`Photo from the ${photo.view}. ${inHand ? `Touch: ${inHand.label}. Arrow keys move it by a pixel.` : ''}`}
        tabIndex={0}
        onKeyDown={keys}
        onPointerDown={(e) => {
          e.currentTarget.setPointerCapture(e.pointerId);
          setFinger(at(e));
        }}
        onPointerMove={(e) => {
          if (finger) setFinger(at(e));
        }}
        onPointerUp={(e) => {
          const place = at(e);
          setFinger(null);
          if (place) props.onTouch(place);
        }}
        onPointerCancel={() => setFinger(null)}
      >
        <image href={href} width={width} height={height} />
        {props.outline && props.reading && (
          <Outline drawing={props.outline} reading={props.reading} />
        )}
        {props.targets.map((target) => {
          const place = placeOf(props.marks, props.half, target);
          if (!place) return null;
          const isInHand = target.key === inHand?.key;
          return (
            <g key={target.key} data-mark={target.key}>
              <circle
                cx={place[0]}
                cy={place[1]}
                r={isInHand ? 2 * r : r}
                fill="none"
                stroke={target.landmark ? 'var(--pin)' : 'var(--chalk)'}
                strokeWidth={r * 0.6}
              />
              <circle cx={place[0]} cy={place[1]} r={r * 0.3} fill="var(--pin)" />
            </g>
          );
        })}
        {shown && <Lens href={href} at={shown} size={lens} photo={photo} />}
      </svg>
    </div>
  );
}

/** The place under the finger, magnified beside it. */
function Lens(props: { href: string; at: XY; size: number; photo: Schemas['Photo'] }) {
  const { at, size, photo } = props;
  const [x, y] = at;
  const cx = x < photo.width / 2 ? x + 1.5 * size : x - 1.5 * size;
  const cy = Math.min(photo.height - size, Math.max(size, y));
  return (
    <g>
      <defs>
        <clipPath id="lens">
          <circle cx={cx} cy={cy} r={size} />
        </clipPath>
      </defs>
      <g clipPath="url(#lens)">
        <rect x={cx - size} y={cy - size} width={2 * size} height={2 * size} fill="var(--sheet)" />
        <image
          href={props.href}
          x={cx - x * POWER}
          y={cy - y * POWER}
          width={photo.width * POWER}
          height={photo.height * POWER}
        />
      </g>
      <circle cx={cx} cy={cy} r={size} fill="none" stroke="var(--ink)" strokeWidth={size * 0.03} />
      <path
        d={`M${cx - size * 0.2} ${cy}h${size * 0.4}M${cx} ${cy - size * 0.2}v${size * 0.4}`}
        stroke="var(--pin)"
        strokeWidth={size * 0.02}
      />
    </g>
  );
}

/** The drawn dog laid over the photo, at the photo's own scale, level and place. */
function Outline(props: { drawing: Schemas['Drawing']; reading: Schemas['PhotoReading'] }) {
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
