import type { ExternalToast } from 'sonner'

type Kind = 'info' | 'success' | 'error'

/** Says it through what shows messages, fetched after the page itself; an error that cannot be shown there is said by the browser. */
const shown = (kind: Kind) => (message: string, more?: ExternalToast) =>
  void import('sonner').then(
    ({ toast }) => toast[kind](message, more),
    () => kind === 'error' && window.alert(message),
  )

/** Short messages at the edge of the page. */
export const notice = { info: shown('info'), success: shown('success'), error: shown('error') }
