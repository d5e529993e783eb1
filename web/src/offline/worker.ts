/// <reference lib="webworker" />
import { clientsClaim } from "workbox-core";
import { cleanupOutdatedCaches, createHandlerBoundToURL, precacheAndRoute } from "workbox-precaching";
import { NavigationRoute, registerRoute } from "workbox-routing";

declare const self: ServiceWorkerGlobalScope;
/** Every file of this build, put in when it is built. */
declare const __SHELL__: { url: string; revision: string | null }[];

/** The service worker: the pages of one build, whole or not at all; the data is the pages' own affair. */
precacheAndRoute(__SHELL__);
cleanupOutdatedCaches();
registerRoute(new NavigationRoute(createHandlerBoundToURL("/"), { denylist: [/^\/api\//, /^\/pair$/] }));
clientsClaim();

self.addEventListener("message", ({ data }) => {
  if (data?.type === "SKIP_WAITING") void self.skipWaiting();
});
