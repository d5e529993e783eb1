import { useSyncExternalStore } from "react";

const query = window.matchMedia("(max-width: 640px)");

function subscribe(onChange: () => void): () => void {
  query.addEventListener("change", onChange);
  return () => query.removeEventListener("change", onChange);
}

/** Whether the page is as narrow as a phone. */
export function useNarrow(): boolean {
  return useSyncExternalStore(subscribe, () => query.matches);
}
