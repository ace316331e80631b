import { notice } from '../state/notices'

/** What the garden needs is loaded before the rest is fetched for later. */
const KEPT_AFTER_MS = 3000

/** Keeps the app for use without a network, and offers a newer version when one has been fetched. */
export function keepForOffline(): void {
  if (!('serviceWorker' in navigator)) return
  const register = () =>
    navigator.serviceWorker.register('/sw.js').then(
      (registration) => registration.addEventListener('updatefound', () => offerWhenReady(registration)),
      (error: unknown) => console.warn('The app cannot be kept for use without a network', error),
    )
  setTimeout(() => void register(), KEPT_AFTER_MS)
}

function offerWhenReady(registration: ServiceWorkerRegistration): void {
  const fresh = registration.installing
  fresh?.addEventListener('statechange', () => {
    if (fresh.state !== 'installed' || !navigator.serviceWorker.controller) return
    navigator.serviceWorker.addEventListener('controllerchange', () => location.reload())
    notice.info('A newer Kilim is ready.', {
      duration: Infinity,
      action: { label: 'Use it', onClick: () => fresh.postMessage({ type: 'SKIP_WAITING' }) },
    })
  })
}
