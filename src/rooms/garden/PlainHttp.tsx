/** What a browser does not do for a page opened over plain HTTP by network address. */
export function PlainHttp() {
  if (window.isSecureContext) return null
  return (
    <p className="mt-2 max-w-2xl border-l-4 border-warning pl-3 text-sm">
      Opened over plain HTTP, this browser cannot install Kilim, open it offline or share files. What you
      write is kept all the same, also with two tabs open. A server with a certificate (TLS_CERT, TLS_KEY)
      lifts this.
    </p>
  )
}
