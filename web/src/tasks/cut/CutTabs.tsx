import { Tabs } from '../../shared/ui/Tabs';

const PAGES = [
  ['cut', 'Steps'],
  ['schools', 'Ways of working'],
] as const;

/** The pages of the cut sheet. */
export function CutTabs() {
  return <Tabs label="Cut sheet" pages={PAGES} />;
}
