export * from './network.ts'
export { outsideCauses, signs, type Area } from './outside.ts'
