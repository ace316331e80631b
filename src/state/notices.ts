import type { ExternalToast } from 'sonner'

const shown = (kind: 'info' | 'success' | 'error') => (message: string, more?: ExternalToast) =>
  void import('sonner').then(({ toast }) => toast[kind](message, more))

/** Short messages at the edge of the page; what shows them is loaded after the page itself. */
export const notice = { info: shown('info'), success: shown('success'), error: shown('error') }
