import type { Schemas } from '../api/client';

/** A zone that carries nothing beside its length. */
export const NO_MARKS: Schemas['ZoneMarks'] = {
  texture: null,
  drawn_out_mm: null,
  standing_mm: null,
  hole_mm: null,
  hole_at: null,
  lay: 'as_usual',
  patch: 'none',
  tone_edge_mm: null,
  has_whorl: false,
  is_stained: false,
  has_waves: false,
  knot_from_skin_mm: null,
};
