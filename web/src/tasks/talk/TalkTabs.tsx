import { Tabs } from '../../shared/ui/Tabs';

const PAGES = [
  ['talk', 'Talk'],
  ['last', 'Last time'],
] as const;

/** The pages of the talk. */
export function TalkTabs() {
  return <Tabs label="Talk" pages={PAGES} />;
}
