import { useEffect, useRef } from "react";
import { beep, say } from "../../ui/sound";

/** A sound and, when it is wished, the spoken words, at the moment when something becomes urgent. */
export function useAlert(words: string, urgent: boolean) {
  const was = useRef(false);
  useEffect(() => {
    if (urgent && !was.current) {
      beep();
      say(words);
    }
    was.current = urgent;
  }, [urgent, words]);
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
