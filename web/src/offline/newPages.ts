import { Workbox } from "workbox-window";
import { BUILD } from "./build";
import { noteNewer } from "./lastKnown";

/** So long the new pages may take to come. */
const PATIENCE_MS = 10_000;

let worker: Workbox | null = null;

/** Keep the pages in this browser, where it can: on this machine, and elsewhere by HTTPS. */
export function keepPages(): void {
  // a piece of the pages that is no longer there: they were renewed
  window.addEventListener("vite:preloadError", (event) => {
    event.preventDefault();
    void loadNewPages();
  });
  if (!BUILD || !("serviceWorker" in navigator)) return;
  worker = new Workbox("/worker.js");
  worker.addEventListener("waiting", noteNewer);
  worker.addEventListener("controlling", ({ isUpdate }) => isUpdate && noteNewer());
  worker.register().catch(() => null); // a browser that keeps nothing shows them all the same
}

let loading: Promise<void> | null = null;

/** Load the server's pages in place of these. What was typed is stored as the page is left. */
export function loadNewPages(): Promise<void> {
  loading ??= renew().finally(() => location.reload());
  return loading;
}

async function renew(): Promise<void> {
  const registration = await navigator.serviceWorker?.getRegistration();
  if (!registration || !worker) return;
  const ours = worker;
  await Promise.race([
    new Promise((resolve) => setTimeout(resolve, PATIENCE_MS)),
    (async () => {
      await registration.update().catch(() => null);
      const coming = registration.waiting ?? registration.installing;
      if (!coming) return;
      await new Promise<void>((resolve) => {
        const look = () => {
          if (coming.state === "installed") ours.messageSkipWaiting();
          if (coming.state === "activated" || coming.state === "redundant") resolve();
        };
        coming.addEventListener("statechange", look);
        look();
      });
    })(),
  ]);
}
