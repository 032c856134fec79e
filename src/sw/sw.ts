import { clientsClaim } from 'workbox-core';
import {
  cleanupOutdatedCaches,
  createHandlerBoundToURL,
  precacheAndRoute,
  type PrecacheEntry,
} from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';

/** What the phone's screen needs, as `scripts/serviceWorker.mjs` lists it. */
declare const PACKED: PrecacheEntry[];

/**
 * Keeps the screen for the way on the phone: one version of it as a whole, taken in when it is installed, and served from there
 * whatever the network does. A newer one waits until no page of the old one is open, so that nothing changes under somebody's hand.
 * Data is not its business: packs and taps lie in the page's own database.
 */
cleanupOutdatedCaches();
clientsClaim();
precacheAndRoute(PACKED, { ignoreURLParametersMatching: [/.*/] });
// Every address of the screen for the way is the one page; which outing is meant, it reads itself.
registerRoute(new NavigationRoute(createHandlerBoundToURL('/out'), { allowlist: [/^\/out(\?|$)/] }));
