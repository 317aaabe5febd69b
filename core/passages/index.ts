export * from './model.ts'
export { diagnose } from './diagnose.ts'
export { nextLook } from './next.ts'
export * from './plan.ts'
