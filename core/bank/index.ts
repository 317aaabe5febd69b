export * from './balance.ts'
export * from './couplers.ts'
