import { type ComponentType, lazy } from 'react';

/**
 * Screens that are not the first: each comes in a part of its own, when it is opened or when the
 * browser has nothing else to do, so that it is here before the server may be away.
 */
const parts: (() => Promise<unknown>)[] = [];

/** A screen's part did not come: Veliform did not answer when it was opened. */
export class PartMissing extends Error {}

function later(part: () => Promise<{ default: ComponentType }>) {
  parts.push(part);
  return lazy(() =>
    part().catch((cause: unknown) => {
      throw new PartMissing('A part of the page did not come.', { cause });
    }),
  );
}

export const DogCardScreen = later(async () => ({
  default: (await import('../tasks/studio/DogCardScreen')).DogCardScreen,
}));
export const OwnerScreen = later(async () => ({
  default: (await import('../tasks/studio/OwnerScreen')).OwnerScreen,
}));
export const LifeScreen = later(async () => ({
  default: (await import('../tasks/studio/LifeScreen')).LifeScreen,
}));
export const KeptPlanScreen = later(async () => ({
  default: (await import('../tasks/keep/KeptPlanScreen')).KeptPlanScreen,
}));
export const AboutScreen = later(async () => ({
  default: (await import('../tasks/kit/AboutScreen')).AboutScreen,
}));
export const HouseScreen = later(async () => ({
  default: (await import('../tasks/kit/HouseScreen')).HouseScreen,
}));
export const KitScreen = later(async () => ({
  default: (await import('../tasks/kit/KitScreen')).KitScreen,
}));
export const NewDogScreen = later(async () => ({
  default: (await import('../tasks/studio/NewDogScreen')).NewDogScreen,
}));

/** The pages of a visit by their address, in the order of the work. */
export const VISIT_PAGES: Record<string, ComponentType> = {
  talk: later(async () => ({
    default: (await import('../tasks/talk/TalkScreen')).TalkScreen,
  })),
  hands: later(async () => ({
    default: (await import('../tasks/hands/HandsScreen')).HandsScreen,
  })),
  body: later(async () => ({
    default: (await import('../tasks/hands/BodyScreen')).BodyScreen,
  })),
  photo: later(async () => ({
    default: (await import('../tasks/hands/photo/PhotoScreen')).PhotoScreen,
  })),
  time: later(async () => ({
    default: (await import('../tasks/hands/TimeScreen')).TimeScreen,
  })),
  coat: later(async () => ({
    default: (await import('../tasks/coat/CoatScreen')).CoatScreen,
  })),
  look: later(async () => ({
    default: (await import('../tasks/look/LookScreen')).LookScreen,
  })),
  last: later(async () => ({
    default: (await import('../tasks/talk/LastTimeScreen')).LastTimeScreen,
  })),
  picture: later(async () => ({
    default: (await import('../tasks/talk/PictureScreen')).PictureScreen,
  })),
  album: later(async () => ({
    default: (await import('../tasks/talk/AlbumScreen')).AlbumScreen,
  })),
  schools: later(async () => ({
    default: (await import('../tasks/cut/SchoolsScreen')).SchoolsScreen,
  })),
  lines: later(async () => ({
    default: (await import('../tasks/plan/LinesScreen')).LinesScreen,
  })),
  ahead: later(async () => ({
    default: (await import('../tasks/plan/AheadScreen')).AheadScreen,
  })),
  plan: later(async () => ({
    default: (await import('../tasks/plan/PlanScreen')).PlanScreen,
  })),
  cut: later(async () => ({
    default: (await import('../tasks/cut/CutScreen')).CutScreen,
  })),
  run: later(async () => ({
    default: (await import('../tasks/cut/run/RunScreen')).RunScreen,
  })),
  check: later(async () => ({
    default: (await import('../tasks/check/CheckScreen')).CheckScreen,
  })),
  lengths: later(async () => ({
    default: (await import('../tasks/check/LengthsScreen')).LengthsScreen,
  })),
  keep: later(async () => ({
    default: (await import('../tasks/keep/KeepScreen')).KeepScreen,
  })),
};

/** Fetches every part, one after another, once the first screen stands. */
export async function fetchParts(): Promise<void> {
  for (const part of parts) {
    // Opened later, it is asked for again.
    await part().catch(() => undefined);
  }
}
