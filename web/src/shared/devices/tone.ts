/** Whether this device sounds when a blade or a rest is due: its own setting, like its loudness. */
const NAME = 'veliform.tone';

export function isToneOn(): boolean {
  return localStorage.getItem(NAME) !== 'off';
}

export function setTone(isOn: boolean): void {
  if (isOn) localStorage.removeItem(NAME);
  else localStorage.setItem(NAME, 'off');
}
