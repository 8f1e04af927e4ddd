import type { ReactNode } from 'react';
import type { Schemas } from '../../../shared/api/client';

type Step = Schemas['Step'];

/** Sizes to be read from two metres: the more letters, the smaller, down to the last. */
const WHAT: [number, string][] = [
  [18, 'text-[clamp(46px,5.1vw,66px)]'],
  [40, 'text-[clamp(38px,4.1vw,52px)]'],
  [64, 'text-[clamp(32px,3.3vw,42px)]'],
  [Infinity, 'text-[clamp(26px,2.7vw,34px)]'],
];
const TOOL: [number, string][] = [
  [16, 'text-[clamp(34px,3.8vw,48px)]'],
  [Infinity, 'text-[clamp(28px,2.8vw,36px)]'],
];
const LEAVES: [number, string][] = [
  [8, 'text-[clamp(76px,8.4vw,108px)] leading-[0.95]'],
  [16, 'text-[clamp(46px,4.7vw,60px)] leading-none'],
  [Infinity, 'text-[clamp(22px,2.2vw,28px)] leading-tight'],
];

function sized(text: string, sizes: [number, string][]): string {
  return sizes.find(([letters]) => text.length <= letters)?.[1] ?? '';
}

/** One step, to be read from two metres: what, with which tool, what it leaves. */
export function StepCard(props: {
  step: Step;
  place: string;
  told: string[];
  /** What is asked before it is done. */
  children?: ReactNode;
}) {
  const { step } = props;
  return (
    <>
      <p className="text-lg text-soft">{props.place}</p>
      <h2 className={`leading-[1.05] font-bold ${sized(step.what, WHAT)}`} data-step={step.number}>
        {step.what}
      </h2>
      {step.tool && (
        <p className={`pt-2 leading-[1.05] font-bold ${sized(step.tool, TOOL)}`}>{step.tool}</p>
      )}
      {step.stroke && <p className="text-[clamp(19px,2vw,26px)] leading-snug">{step.stroke}</p>}
      {step.leaves && (
        <p className="flex flex-wrap items-baseline gap-x-4 pt-1">
          <span className="text-[clamp(26px,3vw,38px)] font-bold">leaves</span>
          <b className={sized(step.leaves, LEAVES)}>{step.leaves}</b>
        </p>
      )}
      {props.told.map((told) => (
        <p key={told} className="mt-2 border-l-4 border-tape pl-2 text-xl font-bold">
          {told}
        </p>
      ))}
      <ul className="pt-1">
        {step.cautions
          .filter((caution) => caution.is_this_dogs)
          .map((caution) => (
            <li
              key={caution.text}
              className="mb-1 border-l-4 border-pin pl-2 text-2xl leading-tight font-bold text-pin"
            >
              {caution.text}
            </li>
          ))}
      </ul>
      {props.children}
      {(step.from || step.to) && (
        <p className="pt-1.5 leading-snug text-chalk">
          {step.from && <>From {step.from}. </>}
          {step.to && <>Stop: {step.to}.</>}
        </p>
      )}
      <ul className="pt-2">
        {step.cautions
          .filter((caution) => !caution.is_this_dogs)
          .map((caution) => (
            <li key={caution.text} className="border-l-4 border-line pl-2 leading-snug text-soft">
              {caution.text}
            </li>
          ))}
        {step.again?.map((text) => (
          <li key={text} className="border-l-4 border-line pl-2 leading-snug text-soft">
            {text}
          </li>
        ))}
      </ul>
    </>
  );
}

/** The rest of a step, a touch away: what comes off where, what the other hand does. */
export function HowOf({ step }: { step: Step }) {
  const hand = handOf(step);
  if (!hand && !step.amounts?.length) return null;
  return (
    <div className="border-b border-line pb-3 text-xl leading-snug">
      {hand && (
        <p>
          <b>Other hand.</b> {hand}
        </p>
      )}
      {step.amounts?.map((amount) => (
        <p key={amount} className="pt-1">
          {amount}
        </p>
      ))}
    </div>
  );
}

/** At the table a step says what the other hand does, whether an earlier one did or not. */
function handOf(step: Step): string {
  return step.hand || (step.hand_again ?? '');
}

/** The small jobs as ticks, all on one page, so that none is forgotten. */
export function SmallJobs(props: { steps: Step[]; onTick: (step: Step) => void }) {
  return (
    <>
      <p className="text-soft">Before the comb</p>
      <h2 className="text-[clamp(40px,4.2vw,54px)] leading-[1.05] font-bold">Small jobs</h2>
      <ul className="pt-2">
        {props.steps.map((step, i) => (
          <li key={step.number} className="border-t border-line py-1">
            <button
              type="button"
              className="flex min-h-16 w-full items-center gap-3 text-left text-xl"
              onClick={() => props.onTick(step)}
              data-step={step.number}
            >
              <span
                aria-hidden="true"
                className={`h-9 w-9 shrink-0 border-ink ${i === 0 ? 'border-[6px]' : 'border-2'}`}
              />
              <span>
                <b>{step.what}</b>
                {step.tool && (
                  <span className="block text-lg">
                    {[step.tool, step.stroke].filter(Boolean).join(', ')}
                  </span>
                )}
                {i === 0 &&
                  step.amounts?.map((amount) => (
                    <span key={amount} className="block text-base">
                      {amount}
                    </span>
                  ))}
                {i === 0 && handOf(step) && (
                  <span className="block text-base text-soft">{handOf(step)}</span>
                )}
              </span>
            </button>
            {step.cautions
              .filter((c) => c.is_this_dogs)
              .map((c) => (
                <p key={c.text} className="border-l-4 border-pin pl-2 font-bold">
                  {c.text}
                </p>
              ))}
          </li>
        ))}
      </ul>
    </>
  );
}
