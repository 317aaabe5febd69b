export * from './entered.ts'
export * from './hand.ts'
export * from './hold.ts'
export * from './wet.ts'
