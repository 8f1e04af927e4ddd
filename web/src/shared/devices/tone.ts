import { keepText, readText } from './storage';

/** Whether this device sounds when a blade or a rest is due: its own setting, like its loudness. */
const NAME = 'veliform.tone';

export function isToneOn(): boolean {
  return readText(localStorage, NAME) !== 'off';
}

export function setTone(isOn: boolean): void {
  keepText(localStorage, NAME, isOn ? null : 'off');
}
