export * from './balance.ts'
export * from './couplers.ts'
export * from './turned.ts'
