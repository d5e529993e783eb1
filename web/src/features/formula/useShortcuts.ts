import { useEffect } from "react";

/** Undo and redo by keyboard, and `?` for the list; not while something is being typed. */
export function useShortcuts(actions: { undo: () => void; redo: () => void; help: () => void }) {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const field = event.target instanceof HTMLElement && event.target.matches("input, select, textarea");
      const amount = field && event.target.getAttribute("aria-label")?.startsWith("Amount of");
      const command = event.ctrlKey || event.metaKey;
      const key = event.key.toLowerCase();
      if (command && (key === "z" || key === "y") && (!field || amount)) {
        event.preventDefault();
        if (amount) (event.target as HTMLElement).blur();
        if (key === "y" || event.shiftKey) actions.redo();
        else actions.undo();
      } else if (event.key === "?" && !field) actions.help();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [actions]);
}
