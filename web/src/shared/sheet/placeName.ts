import type { Schemas } from '../api/client';

type Tag = NonNullable<Schemas['Shape']['tag']>;

/** What a place of the sheet is called, for those who cannot see it. */
export function placeName(tag: Tag, words: Schemas['Catalogue']): string {
  switch (tag.of) {
    case 'zone':
      return words.zones.find((w) => w.zone === tag.which)?.label ?? tag.which;
    case 'measure':
      return words.measures.find((w) => w.measure === tag.which)?.label ?? tag.which;
    case 'landmark':
      return words.landmarks.find((w) => w.landmark === tag.which)?.label ?? tag.which;
    case 'site':
      return words.sites.find((w) => w.site === tag.which)?.label ?? tag.which;
    case 'line':
      return `line: ${tag.which.replaceAll('_', ' ')}`;
    case 'pin':
      return `reason ${tag.which}`;
    case 'found':
      return `finding ${tag.which}`;
    case 'ring':
      return `place ${tag.which} of the walk`;
  }
}
