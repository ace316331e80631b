import { existsSync } from 'node:fs'

/** Debian's Chromium, best the shell that starts no interface of its own beside each page; undefined where none is installed. */
export const CHROMIUM =
  process.env.CHROMIUM_PATH ??
  ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium', '/usr/bin/chromium-browser'].find((path) =>
    existsSync(path),
  )
