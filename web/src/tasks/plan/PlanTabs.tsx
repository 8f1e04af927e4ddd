import { Tabs } from '../../shared/ui/Tabs';

const PAGES = [
  ['plan', 'Today'],
  ['lines', 'Lines'],
  ['ahead', 'Weeks ahead'],
] as const;

/** The pages of the plan. */
export function PlanTabs() {
  return <Tabs label="Plan" pages={PAGES} />;
}
