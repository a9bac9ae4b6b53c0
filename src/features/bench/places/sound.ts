'use client';

const KEY = 'bench-sound';
let audio: AudioContext | null = null;

export const soundIsOn = (): boolean => localStorage.getItem(KEY) !== 'off';
export const soundOff = (off: boolean): void => localStorage.setItem(KEY, off ? 'off' : 'on');

/** A short tone: two notes for a wait that is over, a rough one for a forgotten valve. A browser that allows no sound stays silent; the sign is there all the same. */
export function tone(kind: 'ready' | 'alarm'): void {
  try {
    audio ??= new AudioContext();
    const notes = kind === 'ready' ? [660, 880] : [440, 330, 440, 330];
    notes.forEach((frequency, index) => {
      const oscillator = audio!.createOscillator();
      const gain = audio!.createGain();
      oscillator.frequency.value = frequency;
      oscillator.type = kind === 'ready' ? 'sine' : 'square';
      gain.gain.value = kind === 'ready' ? 0.12 : 0.2;
      oscillator.connect(gain).connect(audio!.destination);
      const at = audio!.currentTime + index * 0.22;
      oscillator.start(at);
      oscillator.stop(at + 0.18);
    });
  } catch {
    // No sound device, or none allowed before the first press.
  }
}
