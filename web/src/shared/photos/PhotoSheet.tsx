import { useState, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react';
import type { Schemas } from '../api/client';

type XY = [number, number];

/** The magnifier's size on the photo against its width, and how much it magnifies. */
const LENS = 0.11;
const POWER = 3;

/** Something touched on a photo. */
export interface PhotoMark {
  key: string;
  at: XY;
  /** A place on the dog, not on rod or table. */
  isOnDog: boolean;
}

/** The photo with its marks, magnified under the finger; keys nudge the mark in hand. */
export function PhotoSheet(props: {
  photo: Schemas['Photo'];
  marks: PhotoMark[];
  inHand: { key: string; label: string } | null;
  /** Lies over the photo, under its marks. */
  over?: ReactNode;
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
    <div className="min-h-0 min-w-0 flex-1 bg-sheet">
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
        {props.over}
        {props.marks.map(({ key, at: [x, y], isOnDog }) => (
          <g key={key} data-mark={key}>
            <circle
              cx={x}
              cy={y}
              r={key === inHand?.key ? 2 * r : r}
              fill="none"
              stroke={isOnDog ? 'var(--pin)' : 'var(--chalk)'}
              strokeWidth={r * 0.6}
            />
            <circle cx={x} cy={y} r={r * 0.3} fill="var(--pin)" />
          </g>
        ))}
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
