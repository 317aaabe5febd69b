export * from './network.ts'
export { outsideCauses, signs, type Area } from './outside.ts'
export { firstCauses, type FirstLook } from './first.ts'
