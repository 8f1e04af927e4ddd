import type { ReactNode } from 'react';
import type { Schemas } from '../../../shared/api/client';

type Step = Schemas['Step'];

/** Letters from which a step's name is set smaller, so that the margin holds the rest. */
const LONG = 36;

/** One step, to be read from two metres. */
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
      <p className="text-soft">{props.place}</p>
      <h2
        className={`leading-[1.1] font-bold ${step.what.length > LONG ? 'text-[27px]' : 'text-[34px]'}`}
        data-step={step.number}
      >
        {step.what}
      </h2>
      <p className="pt-2 text-2xl leading-snug">
        {step.tool && <b>{step.tool}</b>}
        {step.stroke && <span className="block">{step.stroke}</span>}
        {step.leaves && (
          <span className="block">
            leaves <b className="font-mono">{step.leaves}</b>
          </span>
        )}
      </p>
      {props.told.map((told) => (
        <p key={told} className="mt-2 border-l-4 border-tape pl-2 text-lg font-bold">
          {told}
        </p>
      ))}
      {props.children}
      {step.from && <p className="pt-2 text-lg leading-snug">From {step.from}.</p>}
      {step.to && <p className="text-lg leading-snug">Stop: {step.to}.</p>}
      {step.amounts && step.amounts.length > 0 && (
        <ul className="pt-2">
          {step.amounts.map((amount) => (
            <li key={amount}>{amount}</li>
          ))}
        </ul>
      )}
      {step.hand && (
        <p className="mt-2 border-t border-line pt-2 leading-snug">
          <b>Other hand.</b> {step.hand}
        </p>
      )}
      <ul className="pt-2">
        {step.cautions.map((caution) => (
          <li
            key={caution.text}
            className={`mb-1 border-l-4 pl-2 ${
              caution.is_this_dogs ? 'border-pin text-lg font-bold' : 'border-line text-soft'
            }`}
          >
            {caution.text}
          </li>
        ))}
      </ul>
    </>
  );
}

/** The small jobs as ticks, all on one page, so that none is forgotten. */
export function SmallJobs(props: { steps: Step[]; onTick: (step: Step) => void }) {
  return (
    <>
      <p className="text-soft">Before the comb</p>
      <h2 className="text-[34px] leading-[1.1] font-bold">Small jobs</h2>
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
                {step.hand && <span className="block text-base text-soft">{step.hand}</span>}
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
