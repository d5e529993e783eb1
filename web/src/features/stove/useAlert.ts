import { useEffect, useRef } from "react";

/** A sound and, when it is wished, the spoken words, at the moment when something becomes urgent. */
export function useAlert(words: string, urgent: boolean, speak: boolean) {
  const was = useRef(false);
  useEffect(() => {
    if (urgent && !was.current) {
      beep();
      if (speak && "speechSynthesis" in window)
        window.speechSynthesis.speak(new SpeechSynthesisUtterance(words));
    }
    was.current = urgent;
  }, [urgent, words, speak]);
}

function beep() {
  const Context = window.AudioContext;
  if (!Context || !navigator.userActivation?.hasBeenActive) return; // before the first touch a browser plays nothing
  try {
    const sound = new Context();
    for (const [at, pitch] of [
      [0, 660],
      [0.25, 880],
      [0.5, 880],
    ] as const) {
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
    // A browser that plays nothing before the first touch shows the words all the same.
  }
}

/** Keep the screen awake while the page is in view. */
export function useAwake() {
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    const ask = async () => {
      if (document.visibilityState !== "visible" || !("wakeLock" in navigator)) return;
      try {
        lock = await navigator.wakeLock.request("screen");
      } catch {
        lock = null;
      }
    };
    void ask();
    document.addEventListener("visibilitychange", ask);
    return () => {
      document.removeEventListener("visibilitychange", ask);
      void lock?.release();
    };
  }, []);
}
