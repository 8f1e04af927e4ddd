import type { Schemas } from '../api/client';

type Finding = Schemas['Finding'];

/** What the hand is asked to find, as the page's address keeps it. */
export function findingText(finding: Finding): string {
  return `${finding.of}:${finding.which}`;
}

/** The same read back; the server refuses what is no finding. */
export function readFinding(text: string | null): Finding | null {
  const [of, which] = text?.split(':') ?? [];
  return KINDS.includes(of ?? '') && which ? ({ of, which } as Finding) : null;
}

const KINDS = ['measure', 'angle', 'felt'];
