import { useState } from 'react';
import { areKeysOn, setKeys } from '../../shared/devices/keys';
import { isToneOn, setTone } from '../../shared/devices/tone';
import { MarginHead } from '../../shared/ui/controls';

/** What only this screen does: its tone, its keys. */
export function OnThisDevice() {
  return (
    <section aria-label="On this device">
      <MarginHead>On this device</MarginHead>
      <Switch label="A tone when a blade or a rest is due" isOn={isToneOn()} onChange={setTone} />
      <Switch
        label="Single letters and figures do something (u, r, d, ?, 1 to 8)"
        isOn={areKeysOn()}
        onChange={setKeys}
      />
    </section>
  );
}

function Switch(props: { label: string; isOn: boolean; onChange: (isOn: boolean) => void }) {
  const [isOn, setOn] = useState(props.isOn);
  return (
    <label className="flex min-h-12 items-center gap-3">
      <input
        type="checkbox"
        className="h-6 w-6"
        checked={isOn}
        onChange={(e) => {
          setOn(e.target.checked);
          props.onChange(e.target.checked);
        }}
      />
      {props.label}
    </label>
  );
}
