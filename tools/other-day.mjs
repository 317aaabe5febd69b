// Preloaded (NODE_OPTIONS=--import): every Node process believes that the machine stands on EKROND_TEST_DAY. No test may notice.
const day = process.env.EKROND_TEST_DAY
if (day) {
  const Real = Date
  const offset = Real.parse(day) - Real.now()
  globalThis.Date = class Date extends Real {
    constructor(...given) {
      super(...(given.length ? given : [Real.now() + offset]))
    }
    static now() {
      return Real.now() + offset
    }
  }
}
