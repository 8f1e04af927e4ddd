import { BigButton, BigDone, BigDue, BigHold } from '../../../shared/ui/BigControl';
import type { useHold } from '../../../shared/ui/useHold';
import type { Clock } from './due';
import type { Quiet } from './useQuiet';

/** What the large control does now: the next step, or what is due before it. */
export type Large =
  | { does: 'go_on' | 'finish' | 'done' }
  | { does: 'test' | 'pair' }
  | { does: 'blade' | 'rest'; clock: Clock };

const HOLDS = { test: 'Comb runs free', pair: 'Same length' } as const;
const PRESSES = { go_on: 'Go on', finish: 'Finish', done: 'Done' } as const;
const DUES = { blade: 'Feel the blade', rest: 'Rest now' } as const;

/** The one large control of the table. */
export function LargeControl(props: {
  large: Large;
  quiet: Quiet;
  hold: ReturnType<typeof useHold>;
  onPress: () => void;
  /** What comes after the step in hand. */
  then?: string | undefined;
}) {
  const { large, quiet } = props;
  if (quiet.said) return <BigDone>{quiet.said}</BigDone>;
  switch (large.does) {
    case 'blade':
    case 'rest':
      return (
        <BigDue
          onClick={props.onPress}
          isUrgent={large.clock.isUrgent}
          aside={
            large.does === 'rest' ? `Rest ${large.clock.words}` : `It was ${large.clock.words}`
          }
        >
          {DUES[large.does]}
        </BigDue>
      );
    case 'test':
    case 'pair':
      return <BigHold hold={props.hold}>{HOLDS[large.does]}</BigHold>;
    default:
      return (
        <BigButton onClick={props.onPress}>
          <span>
            {PRESSES[large.does]}
            {large.does === 'done' && props.then && (
              <span className="block text-base font-normal">Then: {props.then}</span>
            )}
          </span>
        </BigButton>
      );
  }
}
