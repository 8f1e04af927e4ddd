import type { Schemas } from '../api/client';
import { MarginHead } from '../ui/controls';
import { dayText, daysAfter } from '../units/show';
import { useVisitWork } from './context';
import { WeeksTape } from './WeeksTape';

/** The day to come back and why, the same wherever it is said. */
export function ComeBack({ back }: { back: Schemas['Return'] | null | undefined }) {
  const { beganMs } = useVisitWork();
  if (!back) return null;
  return (
    <>
      <MarginHead>Come back</MarginHead>
      <p className="font-mono font-bold">{dayText(daysAfter(beganMs, back.days))}</p>
      <p>{back.sentence}</p>
      <WeeksTape back={back} />
      {back.if_you_wait.map((later) => (
        <p key={later.because} className="border-l-2 border-dashed border-chalk pt-1 pl-2 text-sm">
          {later.sentence}
        </p>
      ))}
    </>
  );
}
