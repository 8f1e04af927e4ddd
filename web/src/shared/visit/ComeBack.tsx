import type { Schemas } from '../api/client';
import { MarginHead, Plain } from '../ui/controls';
import { daysAfter, weekdayText } from '../units/show';
import { useVisitWork } from './context';
import { WEEK, WeeksTape } from './WeeksTape';

/** The day to come back and why, the same wherever it is said; where it is agreed it is pulled on the tape. */
export function ComeBack({
  back,
  onAgree,
}: {
  back: Schemas['Return'] | null | undefined;
  onAgree?: (days: number | null) => void;
}) {
  const { beganMs } = useVisitWork();
  if (!back) return null;
  const on = (days: number) => weekdayText(daysAfter(beganMs, days));
  return (
    <>
      <MarginHead>Come back</MarginHead>
      <p className="text-lg font-bold">{on(back.days)}</p>
      <p>{back.sentence}</p>
      <WeeksTape back={back} on={on} onAgree={onAgree} />
      {back.if_you_wait.map((later) => (
        <p key={later.because} className="border-l-2 border-dashed border-chalk pt-1 pl-2 text-sm">
          {later.sentence}
        </p>
      ))}
      {onAgree && back.advised_days != null && (
        <div className="pt-2">
          <Plain onClick={() => onAgree(null)}>
            As advised, {Math.round(back.advised_days / WEEK)} weeks
          </Plain>
        </div>
      )}
    </>
  );
}
