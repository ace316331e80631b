import { BASE } from '../data/api'
import { notice } from '../state/notices'

/** What the garden needs is loaded before the rest is fetched for later. */
const KEPT_AFTER_MS = 3000
/** How often a page that stays open asks whether there is a newer version, ms. */
const ASK_EVERY_MS = 60 * 60_000

/** Keeps the app for use without a network, and offers a newer version when one has been fetched. */
export function keepForOffline(): void {
  const { serviceWorker } = navigator
  if (!serviceWorker) return
  const register = () =>
    serviceWorker.register(`${BASE}sw.js`).then(
      (registration) => watchVersions(registration, serviceWorker, () => location.reload()),
      (error: unknown) => console.warn('The app cannot be kept for use without a network', error),
    )
  setTimeout(() => void register(), KEPT_AFTER_MS)
}

/**
 * Offers a newer version once it has been fetched, also one that waited before the page was opened; it is asked for when the
 * page is come back to, and hourly. Until it is taken the page goes on with its own files; taking it loads the page anew.
 */
export function watchVersions(
  registration: ServiceWorkerRegistration,
  container: Pick<ServiceWorkerContainer, 'controller' | 'addEventListener'>,
  reload: () => void,
): () => void {
  let offered: ServiceWorker | null = null
  let taken = false
  // The first version ever takes over a page without being asked for: nothing is newer then.
  const offer = (fresh: ServiceWorker | null) => {
    if (!fresh || fresh.state !== 'installed' || offered === fresh || !container.controller) return
    offered = fresh
    notice.info('A newer Kilim is ready.', {
      id: 'newer version',
      duration: Infinity,
      action: {
        label: 'Use it',
        onClick: () => {
          taken = true
          fresh.postMessage({ type: 'SKIP_WAITING' })
        },
      },
    })
  }
  const follow = (fresh: ServiceWorker | null) => fresh?.addEventListener('statechange', () => offer(fresh))
  const had = container.controller
  container.addEventListener('controllerchange', () => {
    if (taken) reload()
    // Taken in another tab: this one goes on until its grower is done.
    else if (had)
      notice.info('A newer Kilim is in use in another tab.', {
        id: 'newer version',
        duration: Infinity,
        action: { label: 'Load it here', onClick: reload },
      })
  })
  registration.addEventListener('updatefound', () => follow(registration.installing))
  follow(registration.installing)
  offer(registration.waiting)
  // Without a network it is asked again next time.
  const ask = () => void registration.update().catch(() => undefined)
  const onSight = () => {
    if (document.visibilityState === 'visible') ask()
  }
  document.addEventListener('visibilitychange', onSight)
  const hourly = setInterval(ask, ASK_EVERY_MS)
  return () => {
    document.removeEventListener('visibilitychange', onSight)
    clearInterval(hourly)
  }
}
