export * from './screw.ts'
export { mixturePeak, type MixturePeak } from './peak.ts'
