import { networkInterfaces } from 'node:os'

type Interfaces = ReturnType<typeof networkInterfaces>

const EVERYWHERE = ['0.0.0.0', '::']
const LOOPBACK = /^(localhost$|127\.|::1$)/

/**
 * Addresses at which other devices of the network reach a server; none where it listens to its own machine only.
 *
 * @param host what it listens on
 * @param port its port
 */
export function reachableAt(
  { scheme, host, port }: { scheme: 'http' | 'https'; host: string; port: number },
  interfaces: Interfaces = networkInterfaces(),
): string[] {
  if (LOOPBACK.test(host)) return []
  const hosts = EVERYWHERE.includes(host)
    ? Object.values(interfaces)
        .flatMap((found) => found ?? [])
        .filter(({ family, internal }) => family === 'IPv4' && !internal)
        .map(({ address }) => address)
    : [host.includes(':') ? `[${host}]` : host]
  return hosts.map((name) => `${scheme}://${name}:${port}`)
}
