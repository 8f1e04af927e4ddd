import type { ReactNode } from 'react';
import { Plain, Said } from '../ui/controls';
import type { Listening } from './useDevice';

/** A stand-in device: how it is started, what it says, how its battery is. */
export function DeviceBox(props: {
  heard: Listening | null;
  onStop: () => void;
  children: ReactNode;
}) {
  const { heard } = props;
  return (
    <div className="mt-3 border border-dashed border-ink p-2">
      <p className="text-sm text-soft">To try without real devices</p>
      <div className="flex gap-2 pt-1">
        {heard?.isOn ? (
          <Plain onClick={props.onStop}>Stop the {heard.kind === 'tape' ? 'tape' : 'stick'}</Plain>
        ) : (
          props.children
        )}
      </div>
      <div aria-live="polite" className="text-sm">
        {heard?.said && <p data-device-said>{heard.said}</p>}
        {heard?.battery != null && (
          <p className={heard.battery < 20 ? 'font-bold' : 'text-soft'}>
            Battery {heard.battery} %{heard.battery < 20 ? ': charge it' : ''}
          </p>
        )}
        {heard?.trouble && <Said>{heard.trouble}</Said>}
      </div>
    </div>
  );
}
