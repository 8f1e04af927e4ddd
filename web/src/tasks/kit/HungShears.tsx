import type { Schemas } from '../../shared/api/client';

/** Pixels a millimetre of a pair's own length: 9.2 a centimetre. */
const SCALE = 0.92;
const WIDTH = 104;
const MIDDLE = WIDTH / 2;
/** From the rail to the middle of the rings, and their radius. */
const RINGS_PX = 28;
const RING = 12;
/** Share of a pair that lies behind its screw. */
const SHANK = 0.42;
/** Most teeth that are seen apart on the rail. */
const MOST_DRAWN = 12;

/** A pair of shears by its rings, points down, as long as it is to the scale of its rail. */
export function HungShears({ pair }: { pair: Schemas['Shears'] }) {
  const long = pair.long_mm * SCALE;
  const top = RINGS_PX - RING;
  const end = top + long;
  const screw = top + long * SHANK;
  const bend = pair.form === 'curved' ? 14 : 0;
  const teeth = typeof pair.edge === 'object' ? Math.min(pair.edge.toothed.teeth, MOST_DRAWN) : 0;
  const left = MIDDLE - RING;
  const right = MIDDLE + RING;
  const point = MIDDLE + bend;
  return (
    <svg
      aria-hidden
      className="mx-auto block"
      width={WIDTH}
      height={end + 8}
      fill="none"
      stroke="currentColor"
      strokeWidth="2.5"
    >
      <path d={`M${MIDDLE} 0V${top + 4}`} />
      <circle cx={left} cy={RINGS_PX} r={RING} />
      <circle cx={right} cy={RINGS_PX} r={RING} />
      <path d={`M${left + 4} ${RINGS_PX + RING}L${MIDDLE} ${screw}`} />
      <path d={`M${right - 4} ${RINGS_PX + RING}L${MIDDLE} ${screw}`} />
      <path
        d={`M${MIDDLE - 4} ${screw}Q${MIDDLE - 5} ${(screw + end) / 2} ${point} ${end}Q${MIDDLE + 5} ${(screw + end) / 2} ${MIDDLE + 4} ${screw}Z`}
      />
      {Array.from({ length: teeth }, (_, i) => {
        const y = screw + 6 + (i * (end - screw - 16)) / Math.max(1, teeth - 1);
        return <path key={i} strokeWidth="2" d={`M${MIDDLE + 4} ${y}h7`} />;
      })}
      {pair.edge === 'serrated' && (
        <path strokeWidth="2" strokeDasharray="2 3" d={`M${MIDDLE + 9} ${screw + 4}V${end - 12}`} />
      )}
    </svg>
  );
}
