/** The built server as a process, to be killed and started again. */
import { spawn, type ChildProcess } from 'node:child_process'
import { sure } from '../../core/sure'

/** The built server on a store, at a port of its own. */
export class Program {
  private child: ChildProcess | undefined
  /** What it said last, where it ended though nobody had killed it. */
  fell: string | undefined
  constructor(
    private readonly store: { JADE_DATA: string; DATABASE_URL: string },
    readonly port: number,
  ) {}
  start(): Promise<void> {
    const child = spawn(process.execPath, ['dist/demo.js'], {
      env: { ...process.env, ...this.store, PORT: String(this.port), TZ: 'Etc/UTC' },
      stdio: ['ignore', 'pipe', 'pipe'],
    })
    this.child = child
    return new Promise((resolve, reject) => {
      let said = ''
      const hear = (chunk: Buffer): void => {
        said += chunk.toString()
        if (said.includes('Jade Tray is at')) resolve()
      }
      child.stdout.on('data', hear)
      child.stderr.on('data', hear)
      child.once('exit', (code) => {
        if (this.child === child) this.fell = `the server ended with ${code}: ${said.slice(-2000)}`
        reject(new Error(`the server ended with ${code}: ${said.slice(-600)}`))
      })
    })
  }
  end(signal: NodeJS.Signals): Promise<void> {
    const child = sure(this.child)
    this.child = undefined
    return new Promise((resolve) => {
      if (child.exitCode !== null || child.signalCode !== null) {
        resolve()
        return
      }
      child.once('exit', () => resolve())
      child.kill(signal)
    })
  }
}
