export * from './working.ts'
export { fuelAtWork, type AtWork } from './at-work.ts'
