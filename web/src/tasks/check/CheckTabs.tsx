import { Tabs } from '../../shared/ui/Tabs';

const PAGES = [
  ['check', 'Walk round'],
  ['lengths', 'Lengths'],
] as const;

/** The pages of the walk round. */
export function CheckTabs() {
  return <Tabs label="Walk round" pages={PAGES} />;
}
