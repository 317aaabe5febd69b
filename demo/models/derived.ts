import type { FloatGeometry, Model, Position, SettingSpec } from '@ekrond/core/sheets'

export { scaled } from '@ekrond/core/taught'

export type Family = Omit<Model, 'listNumbers'>
/** A setting as its relative has it, with what is told otherwise here. */
export const likeSetting = (family: Family, key: string, more: Partial<SettingSpec>): SettingSpec => {
  const [code, place] = key.split('/')
  const own = family.spec.settings.find((s) => s.code === code && s.place === place)
  if (!own) throw new Error(`${family.code} has no setting ${key}`)
  return { ...own, ...more }
}

/** A position as its relative has it, with what is told otherwise here. */
export const likePosition = (family: Family, code: string, more: Partial<Position> = {}): Position => {
  const own = family.build.positions.find((p) => p.code === code)
  if (!own) throw new Error(`${family.code} has no position ${code}`)
  return { ...own, ...more }
}

export const withFloat = (float: FloatGeometry, more: Partial<FloatGeometry>): FloatGeometry => ({
  ...float,
  ...more,
})
