import { failure, success, type Outcome } from '../src/core/foundations/outcome'

const USUAL_HOST = '127.0.0.1'
const USUAL_PORT = 4310
/** A host name or an address: letters, digits, dots, dashes, and colons for IPv6. */
const HOST = /^[A-Za-z0-9.:-]{1,253}$/

/** Where to listen, from `HOST` and `PORT`; unset or empty ones take their usual values. */
export function addressFrom(
  env: Record<string, string | undefined>,
): Outcome<{ host: string; port: number }> {
  const host = env.HOST?.trim() || USUAL_HOST
  const text = env.PORT?.trim() || String(USUAL_PORT)
  const port = Number(text)
  if (!/^\d{1,5}$/.test(text) || port > 65_535)
    return failure({
      path: 'PORT',
      code: 'port',
      message: `PORT is “${text}”. Set it to a whole number from 0 to 65535, for example PORT=4311.`,
    })
  if (!HOST.test(host))
    return failure({
      path: 'HOST',
      code: 'host',
      message: `HOST is “${host}”. Set it to a name or address of this machine, for example HOST=0.0.0.0.`,
    })
  return success({ host, port })
}

/** The certificate and key to serve with, read from the files that `TLS_CERT` and `TLS_KEY` name; null without them. */
export function certificateFrom(
  env: Record<string, string | undefined>,
  read: (path: string) => Buffer,
): Outcome<{ cert: Buffer; key: Buffer } | null> {
  const names = ['TLS_CERT', 'TLS_KEY'] as const
  const paths = names.map((name) => env[name]?.trim() ?? '')
  if (paths.every((path) => path === '')) return success(null)
  const files: Buffer[] = []
  for (const [i, name] of names.entries()) {
    const refuse = (message: string) => failure({ path: name, code: 'certificate', message })
    if (paths[i] === '')
      return refuse(`${name} is not set. Set TLS_CERT and TLS_KEY both, to files in PEM, or neither.`)
    try {
      files.push(read(paths[i]))
    } catch {
      return refuse(`${name} is “${paths[i]}”, which cannot be read. Set it to a file in PEM.`)
    }
  }
  return success({ cert: files[0], key: files[1] })
}
