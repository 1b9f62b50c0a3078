/** From where a request may come, and by which name: hosts, origins, the practice's own proxy. */
import { isIP } from 'node:net'
import { hostname } from 'node:os'
import proxyAddr from '@fastify/proxy-addr'

/** Names this server answers to: addresses as numbers, this machine, and what the practice adds. A page elsewhere that has its own name point here is none of them. */
export function isOurs(host: string | undefined, names: ReadonlySet<string>): boolean {
  if (host === undefined) return false
  const name = host
    .replace(/:\d+$/, '')
    .replace(/^\[(.*)\]$/, '$1')
    .toLowerCase()
  return isIP(name) !== 0 || names.has(name)
}
/** Ends of names that no public name has (RFC 6762, RFC 8375, and .internal as ICANN keeps it), and what routers commonly give out. */
const localEnds = ['local', 'lan', 'home', 'home.arpa', 'internal', 'localdomain']
/** @param more as JADE_HOSTS lists them, parted by commas */
export const ownNames = (more = ''): Set<string> => {
  const machine = hostname()
  const own = ['localhost', machine, ...localEnds.map((end) => `${machine}.${end}`)]
  return new Set([...own, ...more.split(',')].map((n) => n.trim().toLowerCase()).filter(Boolean))
}

/**
 * A change must come from the page itself: same-site cookies say so, and the Origin header says it again.
 * @param scheme the page's own, where the practice's proxy says it
 */
export function sameOrigin(origin: string | undefined, host: string, scheme: string | undefined): boolean {
  if (origin === undefined) return true
  try {
    const from = new URL(origin)
    return from.host === host && (scheme === undefined || from.protocol === `${scheme}:`)
  } catch {
    return false
  }
}

/** A proxy that is set and is no address. */
export class BadProxy extends Error {
  constructor(set: string) {
    super(`JADE_PROXY is "${set}": it lists addresses or networks, as 127.0.0.1 or 10.0.0.0/8, parted by commas.`)
    this.name = 'BadProxy'
  }
}
/** Whether an address is one of these. @throws BadProxy */
export function proxiesOf(set: string | undefined): (address: string) => boolean {
  if (!set) return () => false
  try {
    const known = proxyAddr.compile(set.split(',').map((one) => one.trim()))
    return (address) => known(address, 0)
  } catch {
    throw new BadProxy(set)
  }
}
