import type { Schemas } from './client';
import { useCatalogue } from './salon';

/** The words of every choice among few; none while they are on their way. */
export function useChoices(): Partial<Schemas['Choices']> {
  return useCatalogue().data?.choices ?? {};
}

/** The word of one of them. */
export function wordOf<T>(words: { value: T; label: string }[] | undefined, value: T): string {
  return words?.find((word) => word.value === value)?.label ?? '';
}
