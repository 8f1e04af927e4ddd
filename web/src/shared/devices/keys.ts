import { keepText, readText } from './storage';

/** Whether single letters and figures do something on this device (WCAG 2.2, 2.1.4). */
const NAME = 'veliform.keys';

export function areKeysOn(): boolean {
  return readText(localStorage, NAME) !== 'off';
}

export function setKeys(areOn: boolean): void {
  keepText(localStorage, NAME, areOn ? null : 'off');
}
