import { useEffect } from 'react';
import { isToneOn } from '../../../shared/devices/tone';

/** Called again this often while something stays due, ms; twice as often once it is urgent. */
const AGAIN_MS = 30_000;

/** Sounds and vibrates, where the device can, as long as something is due. */
export function useCall(isDue: boolean, isUrgent: boolean): void {
  useEffect(() => {
    if (!isDue) return;
    const call = () => {
      if ('vibrate' in navigator) navigator.vibrate(isUrgent ? [300, 100, 300, 100, 300] : 300);
      if (isToneOn()) sound(isUrgent ? 3 : 1);
    };
    call();
    const timer = setInterval(call, isUrgent ? AGAIN_MS / 2 : AGAIN_MS);
    return () => clearInterval(timer);
  }, [isDue, isUrgent]);
}

/** Short tones, one after another; a page that may not sound stays still. */
function sound(times: number): void {
  if (!('AudioContext' in window)) return;
  const context = new AudioContext();
  for (let i = 0; i < times; i += 1) {
    const from = context.currentTime + i * 0.25;
    const tone = context.createOscillator();
    const loud = context.createGain();
    tone.frequency.value = 660;
    loud.gain.setValueAtTime(0.15, from);
    loud.gain.exponentialRampToValueAtTime(0.001, from + 0.2);
    tone.connect(loud).connect(context.destination);
    tone.start(from);
    tone.stop(from + 0.2);
  }
  setTimeout(() => void context.close(), 1000 + times * 250);
}
