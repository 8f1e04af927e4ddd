/** Pixels a millimetre of what a tool leaves. */
export const SCALE = 4.6;
/** From the rail to where the teeth begin. */
export const HEAD_PX = 40;
const WIDTH = 64;
const HALF = 19;
/** The shortest teeth that are still seen. */
const LEAST_PX = 3;

/** A blade's fine teeth, a comb's few with their curled ends; as long as the hair they leave. */
export function Hung(props: {
  mm: number;
  kind: 'blade' | 'comb';
  /** Not there: it would better most plans. */
  isDotted?: boolean;
  /** A tooth is gone. */
  isWorn?: boolean;
}) {
  const teethPx = Math.max(props.mm * SCALE, LEAST_PX);
  const isBlade = props.kind === 'blade';
  const teeth = isBlade ? 10 : 5;
  const middle = WIDTH / 2;
  const at = (i: number) => middle - HALF + 2 + (i * (2 * HALF - 4)) / (teeth - 1);
  const all = Array.from({ length: teeth }, (_, i) => i).filter((i) => !props.isWorn || i !== 6);
  const end = HEAD_PX + teethPx;
  return (
    <svg
      aria-hidden
      className="block"
      width={WIDTH}
      height={end + 6}
      fill="none"
      stroke="currentColor"
      strokeWidth="2"
      strokeDasharray={props.isDotted ? '2 3' : undefined}
    >
      <path d={`M${middle} 0V14`} />
      <rect x={middle - HALF} y="14" width={2 * HALF} height={HEAD_PX - 14} />
      {all.map((i) => (
        <path
          key={i}
          d={`M${at(i)} ${HEAD_PX}V${isBlade ? end : end - 3}${isBlade ? '' : `q0 3 3 3`}`}
        />
      ))}
    </svg>
  );
}
