import { Tabs } from '../../shared/ui/Tabs';

const PAGES = [
  ['talk', 'Talk'],
  ['last', 'Last time'],
  ['picture', 'Picture'],
  ['album', 'Album'],
] as const;

/** The pages of the talk. */
export function TalkTabs() {
  return <Tabs label="Talk" pages={PAGES} />;
}
