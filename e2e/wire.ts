import { connect, createServer, type AddressInfo, type Socket } from 'node:net'

/** A network between two ends on loopback that can be cut and mended; cut, whatever was on its way is lost. */
export interface Wire {
  readonly port: number
  cut(): void
  mend(): void
  end(): Promise<void>
}

/** @param to the port at the other end, asked anew for each connection, since what answers there may be started again elsewhere */
export async function stretchWire(to: () => number): Promise<Wire> {
  const open = new Set<Socket>()
  let whole = true
  const server = createServer((near) => {
    if (!whole) return near.destroy()
    const far = connect({ port: to(), host: '127.0.0.1' })
    for (const [one, other] of [
      [near, far],
      [far, near],
    ] as const) {
      open.add(one)
      one.on('error', () => {})
      one.on('close', () => {
        open.delete(one)
        other.destroy()
      })
      one.pipe(other)
    }
  })
  await new Promise<void>((listening) => server.listen(0, '127.0.0.1', listening))
  const dropAll = () => {
    for (const socket of open) socket.destroy()
  }
  return {
    port: (server.address() as AddressInfo).port,
    cut: () => {
      whole = false
      dropAll()
    },
    mend: () => void (whole = true),
    end: () =>
      new Promise((resolve) => {
        server.close(() => resolve())
        dropAll()
      }),
  }
}
