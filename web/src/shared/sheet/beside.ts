import type { Schemas } from '../api/client';

/** How a dog is drawn where three stand side by side: the table, the coat, nothing written. */
export function besideOptions(layers: Partial<Schemas['Layers']>): Schemas['DrawOptions'] {
  return {
    sheet: 'side',
    layers: { ...BARE, ...layers },
    // Three sheets share the room of one.
    step: null,
    mirrored: false,
    point: null,
    walk: null,
    asked: null,
    text_share: 0.026,
    is_small: false,
  };
}

const BARE: Schemas['Layers'] = {
  table: true,
  now: false,
  plan: true,
  settled: false,
  as_left: false,
  ideal: false,
  hair: true,
  skin: false,
  measures: false,
  landmarks: false,
  lines: false,
  lengths: false,
  pins: false,
  touch: false,
  doubt: false,
  found: false,
};
