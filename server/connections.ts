/**
 * Who may hold the server's connections. Whoever opens many and says nothing gets a share by their address, and of all together
 * only what others leave: a connection over which somebody signed in has asked is never let go for a new one.
 */
import type { Server } from 'node:http'
import type { Socket } from 'node:net'

interface Shares {
  /** Connections at most. */
  all: number
  /** Connections of one address over which nobody signed in has asked yet. */
  ofAddress: number
  /** Whether an address is the practice's own proxy, behind which everybody comes from one. */
  isProxy: (address: string) => boolean
}
interface Held {
  address: string
  /** Requests that are just being answered over it. */
  asking: number
  known: boolean
}

export class Connections {
  /** In the order in which they were opened. */
  private readonly held = new Map<Socket, Held>()

  constructor(
    server: Server,
    private readonly shares: Shares,
  ) {
    server.on('connection', (socket) => this.opened(socket))
    server.on('request', (request, response) => {
      const held = this.held.get(request.socket)
      if (!held) return
      held.asking += 1
      response.once('close', () => (held.asking -= 1))
    })
  }

  /** Somebody signed in has asked over this one. */
  known(socket: Socket): void {
    const held = this.held.get(socket)
    if (held) held.known = true
  }

  /** How many are open. */
  get size(): number {
    return this.held.size
  }

  private opened(socket: Socket): void {
    const address = socket.remoteAddress ?? ''
    const unknown = [...this.held].filter(([, h]) => !h.known)
    const beside = this.shares.isProxy(address) ? [] : unknown.filter(([, h]) => h.address === address)
    const full = this.held.size >= this.shares.all
    if (full || beside.length >= this.shares.ofAddress) {
      // The one that has been silent longest goes: whoever has just come may be somebody who signs in.
      const silent = (full && beside.length < this.shares.ofAddress ? unknown : beside).find(([, h]) => h.asking === 0)
      if (!silent) return void socket.destroy()
      silent[0].destroy()
      this.held.delete(silent[0])
    }
    this.held.set(socket, { address, asking: 0, known: false })
    socket.once('close', () => this.held.delete(socket))
  }
}
