import { useState } from 'react';
import { useSearchParams } from 'react-router';
import type { Schemas } from '../../shared/api/client';
import { useCore } from '../../shared/api/useCore';
import { WorkScreen } from '../../shared/sheet/WorkScreen';
import { BigLink } from '../../shared/ui/BigControl';
import { useVisitWork } from '../../shared/visit/context';
import { PlanTabs } from './PlanTabs';

type Line = Schemas['ClipLine'];
type Name = Schemas['LineName'];

/** The clip lines: where each lies and why, by hand from a bone, and what moving it costs. */
export function LinesScreen() {
  const work = useVisitWork();
  // A line touched on the plan is opened here.
  const [search] = useSearchParams();
  const [open, setOpen] = useState(search.get('line') as Name | null);
  const { desk, options } = work;
  const offers = useCore('/api/lines', { ...desk, options }).answer;
  const lines = work.plan?.lines ?? [];
  // A line that the plan has no use for can still be moved to where it is one.
  const absent = (offers ?? []).filter((o) => !lines.some((l) => l.line === o.line));
  return (
    <WorkScreen
      title="Lines"
      chosen={open ? { of: 'line', which: open } : null}
      onTouch={(tag) => {
        if (tag.of === 'line') setOpen(tag.which);
      }}
      margin={
        <>
          <PlanTabs />
          <ul>
            {lines.map((line) => (
              <OneLine
                key={line.line}
                name={line.line}
                label={line.label}
                line={line}
                offer={offers?.find((o) => o.line === line.line) ?? null}
                isOpen={open === line.line}
                onOpen={() => setOpen(open === line.line ? null : line.line)}
              />
            ))}
            {absent.map((offer) => (
              <OneLine
                key={offer.line}
                name={offer.line}
                label={offer.label}
                line={null}
                offer={offer}
                isOpen={open === offer.line}
                onOpen={() => setOpen(open === offer.line ? null : offer.line)}
              />
            ))}
          </ul>
        </>
      }
      next={<BigLink to={`/visit/${work.visitId}/cut`}>Make the cut sheet</BigLink>}
    />
  );
}

function OneLine(props: {
  name: Name;
  label: string;
  line: Line | null;
  offer: Schemas['LineOffer'] | null;
  isOpen: boolean;
  onOpen: () => void;
}) {
  const { line, offer } = props;
  const here = offer?.stops.find((stop) => stop.is_here);
  const said = line?.hand.find((hand) => hand.distance_mm >= 1);
  return (
    <li className="border-t border-line" data-line={props.name}>
      <button
        type="button"
        aria-expanded={props.isOpen}
        onClick={props.onOpen}
        className="min-h-12 w-full py-1 text-left"
      >
        <b>{props.label}</b>
        {offer?.is_moved && <span className="text-soft">, moved by hand</span>}
        <span className="block text-sm text-soft">
          {said ? (
            <>
              <Distance hand={said} />
            </>
          ) : (
            (here?.label ?? line?.mark)
          )}
        </span>
      </button>
      {props.isOpen && (
        <div className="pb-3">
          {line && (
            <ul className="text-sm">
              {line.hand.map((hand) => (
                <li key={hand.from}>
                  <Distance hand={hand} />
                </li>
              ))}
              {line.blend && <li>{line.blend}</li>}
              <li className="text-soft">{line.why}</li>
            </ul>
          )}
          {offer && <Nudges name={props.name} offer={offer} />}
          {offer && <Stops name={props.name} offer={offer} />}
        </div>
      )}
    </li>
  );
}

/** A distance from a felt bone; on both sides where they differ. */
function Distance({ hand }: { hand: Line['hand'][number] }) {
  return (
    <>
      <b className="font-mono">{hand.text}</b>
      {hand.right && (
        <>
          {' '}
          left, <b className="font-mono">{hand.right}</b> right,
        </>
      )}{' '}
      {hand.from}
    </>
  );
}

/** A step to either side: the line goes between its places, and the plan follows. */
function Nudges({ name, offer }: { name: Name; offer: Schemas['LineOffer'] }) {
  const work = useVisitWork();
  return (
    <div className="grid grid-cols-2 gap-2 pt-2" role="group" aria-label={`Move ${offer.label}`}>
      {offer.nudges?.map((nudge) => (
        <button
          key={nudge.label}
          type="button"
          data-nudge={nudge.by_mm}
          className="min-h-12 border border-ink px-2 py-1 text-left"
          onClick={() => work.say({ kind: 'line_shifted', line: name, by_mm: nudge.by_mm })}
        >
          <b>{nudge.label}</b>
          <span className="block text-sm">{nudge.sentence}</span>
        </button>
      ))}
    </div>
  );
}

/** The places a line can have; touching one moves it there, and the plan follows. */
function Stops({ name, offer }: { name: Name; offer: Schemas['LineOffer'] }) {
  const work = useVisitWork();
  return (
    <ul className="pt-2" aria-label={`Places of the line ${offer.label}`}>
      {offer.stops.map((stop) => (
        <li key={stop.stop}>
          <button
            type="button"
            aria-pressed={stop.is_here}
            data-stop={stop.stop}
            className="-mt-px min-h-12 w-full border border-ink px-3 py-1 text-left aria-pressed:taped"
            onClick={() => {
              if (!stop.is_here) work.say({ kind: 'line_moved', line: name, stop: stop.stop });
            }}
          >
            <b>{stop.label}</b>
            {!stop.is_here && <span className="block text-sm">{stop.sentence}</span>}
          </button>
        </li>
      ))}
      {offer.is_moved && (
        <li>
          <button
            type="button"
            className="min-h-12 underline"
            onClick={() => work.say({ kind: 'line_moved', line: name, stop: null })}
          >
            Where the plan has it
          </button>
        </li>
      )}
    </ul>
  );
}
