import type { Schemas } from '../api/client';
import { Pick } from './Pick';

/** Chooses a zone by name, for those who do not touch the drawing. */
export function ZonePicker(props: {
  zones: Schemas['ZoneWord'][];
  value: Schemas['Zone'] | null;
  onChange: (zone: Schemas['Zone']) => void;
}) {
  return (
    <Pick
      label="Zone"
      hideLabel
      asks="Touch a number, or choose a zone"
      options={props.zones.map((z) => ({ value: z.zone, label: z.label }))}
      value={props.value}
      onPick={props.onChange}
    />
  );
}
