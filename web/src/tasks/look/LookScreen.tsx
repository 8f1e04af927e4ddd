import { useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { Drawing } from '../../shared/sheet/Drawing';
import { WorkScreen } from '../../shared/sheet/WorkScreen';
import { BigLink } from '../../shared/ui/BigControl';
import { Choice, MarginHead } from '../../shared/ui/controls';
import { lengthText, unitName } from '../../shared/units/show';
import { useSheetDrawing, useVisitWork } from '../../shared/visit/context';
import { BigChange } from './BigChange';
import { Cost } from './Cost';
import { OwnLooks } from './OwnLooks';

/** No length named: the one that balances this dog best, of those owned. */
const UNSAID = 0;

/** Choosing a look solves at once; the sheet shows it on this dog. */
export function LookScreen() {
  const work = useVisitWork();
  const { visit } = work.evaluation;
  // A look of our own is chosen above; none of those that ship is, then.
  const chosen = visit.own_look ? null : (visit.look ?? null);
  const choose = (look: Schemas['LookId'], body_mm: number | null) =>
    work.say({ kind: 'look_chosen', choice: { look, body_mm } });
  const ranked = (work.evaluation.looks ?? []).flatMap(({ look, sentence }) =>
    work.words.looks.filter((l) => l.look === look).map((l) => ({ look: l, sentence })),
  );
  const [isBeside, setBeside] = useState(false);
  const old = isBeside ? (work.change?.old ?? null) : null;
  return (
    <WorkScreen
      title="Look"
      {...(old && { sheet: <OldBesideNew old={old} /> })}
      margin={
        <>
          {work.change && (
            <BigChange change={work.change} isBeside={old !== null} onBeside={setBeside} />
          )}
          <MarginHead>On this dog</MarginHead>
          {!visit.look && <p>Until you choose, the first is shown: the best for this coat.</p>}
          <ul>
            {ranked.map(({ look, sentence }) => (
              <li key={look.look} className="pb-3">
                <button
                  type="button"
                  aria-pressed={chosen?.look === look.look}
                  onClick={() => choose(look.look, null)}
                  className="block w-full border-2 border-ink p-3 text-left aria-pressed:taped"
                >
                  <span className="block text-xl font-bold">{look.name}</span>
                  <span className="block font-normal">{look.summary}</span>
                </button>
                {sentence && <p className="pt-1 text-sm text-soft">{sentence}</p>}
                {chosen?.look === look.look && look.body_choices_mm.length > 0 && (
                  <Choice
                    label={`Body length, ${unitName(work.house.units)}`}
                    options={[
                      { value: UNSAID, label: 'Best here' },
                      ...look.body_choices_mm.map((mm) => ({
                        value: mm,
                        label: lengthText(mm, work.house.units),
                      })),
                    ]}
                    value={chosen.body_mm ?? UNSAID}
                    onChange={(mm) => choose(look.look, mm === UNSAID ? null : mm)}
                  />
                )}
                {chosen?.look === look.look && work.plan?.look === look.look && (
                  <Cost plan={work.plan} />
                )}
              </li>
            ))}
          </ul>
          <OwnLooks />
        </>
      }
      next={<BigLink to={`/visit/${work.visitId}/plan`}>See the plan</BigLink>}
    />
  );
}

function OldBesideNew({ old }: { old: Schemas['Drawing'] }) {
  const now = useSheetDrawing();
  return (
    <div className="grid min-h-0 flex-1 grid-cols-2 gap-2">
      <figure className="flex min-h-0 flex-col bg-sheet">
        <div className="min-h-0 flex-1">
          <Drawing drawing={old} />
        </div>
        <figcaption className="p-2 font-bold">As it went home last time</figcaption>
      </figure>
      <figure className="flex min-h-0 flex-col bg-sheet">
        <div className="min-h-0 flex-1">
          <Drawing drawing={now} />
        </div>
        <figcaption className="p-2 font-bold">As planned today</figcaption>
      </figure>
    </div>
  );
}
