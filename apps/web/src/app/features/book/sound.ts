/** What a sound says; the screen says it in words and shapes too. */
export type Sound = 'taken' | 'held' | 'refused';

/** Tones of each, hertz, one behind another. */
const TONES: Readonly<Record<Sound, readonly number[]>> = { taken: [880], held: [660, 660], refused: [220, 165, 220] };
const TONE_S = 0.09;
const QUIET = 'druckerei.quiet';

export const isQuiet = (): boolean => localStorage.getItem(QUIET) === 'yes';
export const setQuiet = (quiet: boolean): void => localStorage.setItem(QUIET, quiet ? 'yes' : 'no');

let audio: AudioContext | undefined;

/** Lets a device be heard over a press, where it may be. */
export function soundOf(sound: Sound): void {
  if (isQuiet() || typeof AudioContext === 'undefined') return;
  audio ??= new AudioContext();
  const start = audio.currentTime;
  TONES[sound].forEach((frequency, i) => {
    if (!audio) return;
    const tone = audio.createOscillator();
    tone.frequency.value = frequency;
    tone.connect(audio.destination);
    tone.start(start + i * TONE_S * 1.4);
    tone.stop(start + i * TONE_S * 1.4 + TONE_S);
  });
}
