import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { Drawing } from '../../shared/sheet/Drawing';
import { BigButton } from '../../shared/ui/BigControl';
import { Plain } from '../../shared/ui/controls';
import { dayText, daysAfter, minutesText } from '../../shared/units/show';
import { useVisitWork } from '../../shared/visit/context';
import { LookRail } from './LookRail';

type LookId = Schemas['LookId'];

/**
 * The page turned about for the owner across the table: the dog in the look, and what it asks of them in
 * large words. The near edge stays the stylist's.
 */
export function OwnerSide(props: {
  offers: Schemas['Offers'];
  order: LookId[];
  laid: LookId;
  onLay: (look: LookId) => void;
  onBack: () => void;
}) {
  const { offers, laid, onBack } = props;
  const work = useVisitWork();
  const [isTurned, setTurned] = useState(true);
  const offer = offers.offers.find((o) => o.look === laid);
  const drawing = offers.shown.find((s) => s.look === laid)?.drawing;
  if (!offer) return null;
  const { back } = offer;
  return (
    <Dialog open onClose={onBack} className="relative z-20">
      <DialogPanel className="fixed inset-0 flex flex-col bg-page">
        <section
          aria-label="For the owner"
          className={`flex min-h-0 flex-1 flex-col p-4 ${isTurned ? 'rotate-180' : ''}`}
        >
          <div className="flex min-h-0 flex-1 gap-6 max-[800px]:flex-col max-[800px]:overflow-y-auto">
            <div className="flex min-w-0 flex-1 items-center bg-sheet max-[800px]:min-h-[36vh]">
              {drawing && <Drawing drawing={drawing} />}
            </div>
            <div className="flex w-[320px] shrink-0 flex-col gap-5 max-[800px]:w-full">
              <DialogTitle className="text-[40px] leading-tight font-bold">
                {work.dog.name}: {offer.name}
              </DialogTitle>
              <Large what="at the table today">{minutesText(offer.minutes)}</Large>
              <Large what="of brushing a week">
                {offer.upkeep.brushing_minutes_a_week} minutes
              </Large>
              {back && (
                <Large what="is the day to come back">
                  {dayText(daysAfter(work.beganMs, back.days))}
                </Large>
              )}
              <p className="text-2xl text-soft">Grey is how {work.dog.name} came.</p>
              <div className="mt-auto">
                <BigButton
                  onClick={() => {
                    work.say({ kind: 'look_chosen', choice: { look: laid, body_mm: null } });
                    onBack();
                  }}
                >
                  Yes, this one
                </BigButton>
              </div>
            </div>
          </div>
          <LookRail offers={offers} order={props.order} laid={laid} onLay={props.onLay} />
        </section>
        <footer className="flex min-h-16 shrink-0 flex-wrap items-center gap-4 border-t-2 border-ink px-4">
          <Plain onClick={onBack}>To the talk</Plain>
          <Plain pressed={isTurned} onClick={() => setTurned(!isTurned)}>
            Upside down
          </Plain>
          <p className="ml-auto font-mono">
            {offer.lengths.map((l) => `${l.label} ${l.text}`).join(' · ')} · {offer.price_from} to{' '}
            {offer.price_to}
          </p>
        </footer>
      </DialogPanel>
    </Dialog>
  );
}

function Large({ what, children }: { what: string; children: React.ReactNode }) {
  return (
    <p>
      <b className="block text-[32px] leading-tight">{children}</b>
      <span className="text-2xl">{what}</span>
    </p>
  );
}
