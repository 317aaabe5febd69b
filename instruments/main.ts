import { bench, connectAll } from './bench.ts'

// The demo's simulated instruments: started beside the server, they connect to bench 1 as real ones would.
const address = process.env.EKROND_ADDRESS
if (!address) {
  console.error('EKROND_ADDRESS is not set: the address of the server, http://127.0.0.1:4180.')
  process.exit(2)
}
const stop = connectAll(address, process.env.EKROND_BENCH ?? '1', bench())
const end = () => {
  stop()
  process.exit(0)
}
for (const signal of ['SIGTERM', 'SIGINT'] as const) process.on(signal, end)
// Whoever started them is gone.
if (process.send) process.once('disconnect', end)
