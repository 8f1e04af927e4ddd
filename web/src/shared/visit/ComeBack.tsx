import type { Schemas } from '../api/client';
import { MarginHead } from '../ui/controls';
import { dayText, daysAfter } from '../units/show';
import { useVisitWork } from './context';

/** The day to come back and why, the same wherever it is said. */
export function ComeBack({ back }: { back: Schemas['Return'] | null | undefined }) {
  const { beganMs } = useVisitWork();
  if (!back) return null;
  return (
    <>
      <MarginHead>Come back</MarginHead>
      <p className="font-mono font-bold">{dayText(daysAfter(beganMs, back.days))}</p>
      <p>{back.sentence}</p>
      {back.if_you_wait.map((later) => (
        <p key={later.because} className="pt-1 text-sm text-soft">
          {later.sentence}
        </p>
      ))}
    </>
  );
}
