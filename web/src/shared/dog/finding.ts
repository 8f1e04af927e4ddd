import type { Schemas } from '../api/client';

type Finding = Schemas['Finding'];

/** What the hand is asked to find, as the page's address keeps it. */
export function findingText(finding: Finding): string {
  return `${finding.of}:${finding.which}`;
}

/** The same read back; none where the address names nothing a hand finds. */
export function readFinding(
  text: string | null,
  words: Schemas['Catalogue'] | undefined,
): Finding | null {
  const all = words?.stops.flatMap((stop) => stop.findings) ?? [];
  return all.find((finding) => findingText(finding) === text) ?? null;
}
