import { Tabs } from '../../shared/ui/Tabs';

const PAGES = [
  ['hands', 'Frame'],
  ['body', 'Body'],
  ['photo', 'Photo'],
  ['time', 'Over time'],
] as const;

/** The pages of the hands-on. */
export function HandsTabs() {
  return <Tabs label="Hands-on" pages={PAGES} />;
}
