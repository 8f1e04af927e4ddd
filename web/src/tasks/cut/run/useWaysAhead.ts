import { useEffect, useState } from 'react';
import { api, ask, type Schemas } from '../../../shared/api/client';
import { keep, kept } from '../../../shared/offline/kept';
import type { RunNow } from '../../../shared/run/useRun';
import { useVisitWork } from '../../../shared/visit/context';

type Zone = Schemas['Zone'];
type Ahead = Schemas['WaysAhead'];

/** The first is asked for when a step has been in hand for so long, as after a miss; the others sooner, ms. */
const QUIET_MS = 15_000;
const BETWEEN_MS = 3_000;

interface Travelling {
  /** What was said of the last renewal when they were asked for: another plan has other ways. */
  renewed: string;
  ways: Ahead[];
}

/**
 * Ways out of a knot or a slip at each zone that is still to come, kept on the device, so that they stand
 * there with the server away. The zone being asked about comes first.
 */
export function useWaysAhead(run: RunNow, asked: Zone | null): (zone: Zone | null) => Ahead | null {
  const { visitId, desk, options } = useVisitWork();
  const name = `ways.${visitId}`;
  const renewed = run.view.run.renewed ?? '';
  const [here, setHere] = useState<Travelling>({ renewed, ways: [] });
  const [missed, setMissed] = useState(0);
  useEffect(() => {
    void kept<Travelling>(name).then((was) => {
      if (was) setHere((now) => (now.ways.length > 0 ? now : was));
    });
  }, [name]);
  useEffect(() => {
    if (here.ways.length > 0) void keep(name, here);
  }, [name, here]);
  const known = new Set(here.renewed === renewed ? here.ways.map((w) => w.zone) : []);
  const toCome = [...(asked ? [asked] : []), ...run.queue.flatMap((step) => step.zones)];
  const next = toCome.find((zone) => !known.has(zone)) ?? null;
  const isLater = known.size === 0 || missed > 0;
  useEffect(() => {
    if (next === null) return;
    let isOpen = true;
    const ms = next === asked && missed === 0 ? 0 : isLater ? QUIET_MS : BETWEEN_MS;
    const timer = setTimeout(() => {
      const body = { desk: { ...desk, options: { ...options, step: null } }, zone: next };
      ask(api.POST('/api/ways-ahead', { body })).then(
        (way) => {
          if (!isOpen) return;
          setMissed(0);
          setHere((was) => {
            const ways = was.renewed === renewed ? was.ways : [];
            return { renewed, ways: [...ways.filter((w) => w.zone !== way.zone), way] };
          });
        },
        () => {
          if (isOpen) setMissed((n) => n + 1);
        },
      );
    }, ms);
    return () => {
      isOpen = false;
      clearTimeout(timer);
    };
    // What is said meanwhile changes the desk, not the zone that is asked for.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [next, asked, isLater, missed, renewed, name]);
  return (zone) => here.ways.find((w) => w.zone === zone) ?? null;
}
