import { type ComponentType, lazy } from 'react';

/**
 * Screens that are not the first: each comes in a part of its own, when it is opened or when the
 * browser has nothing else to do, so that it is here before the server may be away.
 */
const parts: (() => Promise<unknown>)[] = [];

function later(part: () => Promise<{ default: ComponentType }>) {
  parts.push(part);
  return lazy(part);
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
export const CheckScreen = later(async () => ({
  default: (await import('../tasks/check/CheckScreen')).CheckScreen,
}));
export const LengthsScreen = later(async () => ({
  default: (await import('../tasks/check/LengthsScreen')).LengthsScreen,
}));
export const CoatScreen = later(async () => ({
  default: (await import('../tasks/coat/CoatScreen')).CoatScreen,
}));
export const CutScreen = later(async () => ({
  default: (await import('../tasks/cut/CutScreen')).CutScreen,
}));
export const SchoolsScreen = later(async () => ({
  default: (await import('../tasks/cut/SchoolsScreen')).SchoolsScreen,
}));
export const RunScreen = later(async () => ({
  default: (await import('../tasks/cut/run/RunScreen')).RunScreen,
}));
export const BodyScreen = later(async () => ({
  default: (await import('../tasks/hands/BodyScreen')).BodyScreen,
}));
export const HandsScreen = later(async () => ({
  default: (await import('../tasks/hands/HandsScreen')).HandsScreen,
}));
export const TimeScreen = later(async () => ({
  default: (await import('../tasks/hands/TimeScreen')).TimeScreen,
}));
export const PhotoScreen = later(async () => ({
  default: (await import('../tasks/hands/photo/PhotoScreen')).PhotoScreen,
}));
export const KeepScreen = later(async () => ({
  default: (await import('../tasks/keep/KeepScreen')).KeepScreen,
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
export const LookScreen = later(async () => ({
  default: (await import('../tasks/look/LookScreen')).LookScreen,
}));
export const AheadScreen = later(async () => ({
  default: (await import('../tasks/plan/AheadScreen')).AheadScreen,
}));
export const LinesScreen = later(async () => ({
  default: (await import('../tasks/plan/LinesScreen')).LinesScreen,
}));
export const PlanScreen = later(async () => ({
  default: (await import('../tasks/plan/PlanScreen')).PlanScreen,
}));
export const NewDogScreen = later(async () => ({
  default: (await import('../tasks/studio/NewDogScreen')).NewDogScreen,
}));
export const AlbumScreen = later(async () => ({
  default: (await import('../tasks/talk/AlbumScreen')).AlbumScreen,
}));
export const LastTimeScreen = later(async () => ({
  default: (await import('../tasks/talk/LastTimeScreen')).LastTimeScreen,
}));
export const PictureScreen = later(async () => ({
  default: (await import('../tasks/talk/PictureScreen')).PictureScreen,
}));
export const TalkScreen = later(async () => ({
  default: (await import('../tasks/talk/TalkScreen')).TalkScreen,
}));

/** Fetches every part, one after another, once the first screen stands. */
export async function fetchParts(): Promise<void> {
  for (const part of parts) {
    // Opened later, it is asked for again.
    await part().catch(() => undefined);
  }
}
