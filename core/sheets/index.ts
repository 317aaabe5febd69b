export * from './schemas.ts'
export * from './model.ts'
export * from './cautions.ts'
export { lookAlikes, type LookAlike } from './look-alikes.ts'
