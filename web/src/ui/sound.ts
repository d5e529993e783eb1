import { useState } from "react";

const SPEAK = "hearth-bowl-speak";
const TONES = [
  [0, 660],
  [0.25, 880],
  [0.5, 880],
] as const;

/** Three tones, as loud as the device is; before the first touch of a page a browser plays nothing. */
export function beep(): void {
  const Context = window.AudioContext;
  if (!Context || !navigator.userActivation?.hasBeenActive) return;
  try {
    const sound = new Context();
    for (const [at, pitch] of TONES) {
      const tone = sound.createOscillator();
      const volume = sound.createGain();
      tone.frequency.value = pitch;
      volume.gain.value = 0.2;
      tone.connect(volume).connect(sound.destination);
      tone.start(sound.currentTime + at);
      tone.stop(sound.currentTime + at + 0.18);
    }
    window.setTimeout(() => void sound.close(), 1500);
  } catch {
    // A browser that plays nothing shows the words all the same.
  }
}

/** Speak, where the person wished it and the browser can. */
export function say(words: string): void {
  if (localStorage.getItem(SPEAK) === "yes" && "speechSynthesis" in window)
    window.speechSynthesis.speak(new SpeechSynthesisUtterance(words));
}

/** Whether calls are spoken aloud in this browser. */
export function useSpeak(): [boolean, (speak: boolean) => void] {
  const [speak, setSpeak] = useState(localStorage.getItem(SPEAK) === "yes");
  return [
    speak,
    (wished) => {
      localStorage.setItem(SPEAK, wished ? "yes" : "no");
      setSpeak(wished);
    },
  ];
}
