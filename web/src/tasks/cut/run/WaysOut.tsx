import { Plain } from '../../../shared/ui/controls';

/** Ways out, the best first, one touch each. */
export function WaysOut<Way extends { way: string; sentence: string }>(props: {
  ways: Way[];
  onTake: (way: Way) => void;
}) {
  return (
    <ol>
      {props.ways.map((way, i) => (
        <li key={way.way} className="border-t border-line py-2">
          <p className={i === 0 ? 'font-bold' : ''}>{way.sentence}</p>
          <div className="pt-1">
            <Plain label={`Do this: ${way.sentence}`} onClick={() => props.onTake(way)}>
              Do this
            </Plain>
          </div>
        </li>
      ))}
    </ol>
  );
}
