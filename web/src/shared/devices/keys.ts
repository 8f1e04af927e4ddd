/** Whether single letters and figures do something on this device (WCAG 2.2, 2.1.4). */
const NAME = 'veliform.keys';

export function areKeysOn(): boolean {
  return localStorage.getItem(NAME) !== 'off';
}

export function setKeys(areOn: boolean): void {
  if (areOn) localStorage.removeItem(NAME);
  else localStorage.setItem(NAME, 'off');
}
