import { useCallback, useSyncExternalStore } from "react";

const PHONE_PX = 640;

/** Whether the page is narrower than a width: a phone's unless told otherwise. */
export function useNarrow(widthPx: number = PHONE_PX): boolean {
  const query = `(max-width: ${widthPx}px)`;
  const subscribe = useCallback(
    (onChange: () => void) => {
      const list = window.matchMedia(query);
      list.addEventListener("change", onChange);
      return () => list.removeEventListener("change", onChange);
    },
    [query],
  );
  return useSyncExternalStore(subscribe, () => window.matchMedia(query).matches);
}
