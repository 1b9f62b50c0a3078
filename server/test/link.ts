/** A cable one can pull: between a device and the server, or between the server and its database. */
import { createServer, connect, type Server, type Socket } from 'node:net'

/** A wire between two programs, to be cut and mended: what goes in at one end comes out at the other. */
export class Link {
  private readonly sockets = new Set<Socket>()
  private cut = false
  private server: Server | undefined
  constructor(private readonly to: { host: string; port: number }) {}
  /** @returns the port it is reached at */
  listen(): Promise<number> {
    this.server = createServer((near) => {
      if (this.cut) return void near.destroy()
      const far = connect(this.to)
      for (const socket of [near, far]) {
        this.sockets.add(socket)
        socket.on('error', () => undefined)
        socket.on('close', () => {
          near.destroy()
          far.destroy()
          this.sockets.delete(socket)
        })
      }
      near.pipe(far).pipe(near)
    })
    return new Promise((resolve) => {
      this.server?.listen(0, '127.0.0.1', () => {
        const address = this.server?.address()
        resolve(typeof address === 'object' && address ? address.port : 0)
      })
    })
  }
  /** How many ends are connected. */
  get ends(): number {
    return this.sockets.size
  }
  tear(): void {
    this.cut = true
    for (const socket of this.sockets) socket.destroy()
  }
  /** Nothing goes through any more, and neither end hears of it. */
  hush(): void {
    for (const socket of this.sockets) socket.pause()
  }
  mend(): void {
    this.cut = false
  }
  close(): void {
    this.tear()
    this.server?.close()
  }
}
