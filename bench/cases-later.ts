import { jetFactor } from '@ekrond/core/physics/air'
import { balanceBank } from '@ekrond/core/physics/bank'
import { weighCauses, type CauseNetwork, type Question, type CauseSeen } from '@ekrond/core/diagnose/causes'
import { fitElectric } from '@ekrond/core/physics/choke'
import { learnRatio, springError, type BendTry, type RatioKnowledge } from '@ekrond/core/physics/float'
import { mixturePeak, type ScrewKind } from '@ekrond/core/physics/mixture'
import { judgeHold } from '@ekrond/core/judge/proof'
import { isRefusal, refuse, type Result } from '@ekrond/core/base/refusal'
import { besideRelatives } from '@ekrond/core/sheets'
import { answer, DEG, degrees, number, type Answer, type Case } from './case.ts'

const isRow = (value: unknown): value is number[] =>
  Array.isArray(value) && value.every((one) => typeof one === 'number')
const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** Pairs of numbers as a file has them; refuses the field by name. */
function pairs(given: Case, name: string): Result<[number, number][]> {
  const value = given[name]
  return Array.isArray(value) && value.every((one) => isRow(one) && one.length === 2)
    ? (value as [number, number][])
    : refuse(name, `${name} is a list of pairs of numbers.`)
}

/** What a shop learns of a float, a sheet and an engine, and what a bench proves. */
export const laterComputations: Record<string, (given: Case) => Answer> = {
  'float.spring': (given) =>
    answer(
      springError({
        floatMass: number(given, 'floatMass'),
        gravityArm: number(given, 'gravityArm'),
        tangArm: number(given, 'tangArm'),
        measureArm: number(given, 'measureArm'),
        preload: number(given, 'preload'),
        rate: number(given, 'rate'),
        measureAngle: degrees(given, 'measureAngle', 0),
        ...(given.travel === undefined || given.travel === null ? {} : { travel: number(given, 'travel') }),
      }),
      ({ falseReading, tilt }) => ({ falseReading, tilt: tilt / DEG }),
    ),
  'float.learn': (given) => {
    const { tries = [], prior, arms } = given
    if (!Array.isArray(tries) || !tries.every(isRecord)) return refuse('tries', 'The tries are a list.')
    if (prior != null && !isRecord(prior)) return refuse('prior', 'The prior has k and relSigma.')
    if (arms != null && !isRecord(arms))
      return refuse('arms', 'The arms have rm, sigmaRm, rt, sigmaRt and phi.')
    const known: RatioKnowledge = {
      sense: number(given, 'sense'),
      target: number(given, 'target'),
      tries: tries as unknown as BendTry[],
      ...(given.reading == null ? {} : { reading: number(given, 'reading') }),
      ...(prior == null ? {} : { prior: prior as unknown as { k: number } }),
      ...(arms == null
        ? {}
        : {
            arms: {
              rm: number(arms, 'rm'),
              sigmaRm: number(arms, 'sigmaRm', 0),
              rt: number(arms, 'rt'),
              sigmaRt: number(arms, 'sigmaRt', 0),
              phi: degrees(arms, 'phi', 0),
            },
          }),
    }
    return answer(learnRatio(known), (learned) => ({ ...learned }))
  },
  'sheets.relatives': (given) => {
    const values = pairs(given, 'values')
    if (isRefusal(values)) return values
    return answer(
      besideRelatives(values, number(given, 'query'), number(given, 'decimals', 1)),
      (relatives) => ({ ...relatives }),
    )
  },
  'choke.electric': (given) => {
    const samples = pairs(given, 'samples')
    return isRefusal(samples) ? samples : answer(fitElectric(samples), (travel) => ({ ...travel }))
  },
  'mixture.peak': (given) => {
    const samples = pairs(given, 'samples')
    if (isRefusal(samples)) return samples
    return answer(
      mixturePeak(samples, given.kind as ScrewKind, number(given, 'drop')),
      ({ peak, leanDropAt, leaner }) => ({ peak, leanDropAt, leaner }),
    )
  },
  'air.factor': (given) =>
    answer(
      jetFactor(
        {
          altitude: number(given, 'altitude', 0),
          temperatureC: number(given, 'temperatureC', 15),
          ethanol: number(given, 'ethanol', 0),
          lambda: number(given, 'lambda', 1),
        },
        {
          altitude: number(given, 'refAltitude', 0),
          temperatureC: number(given, 'refTemperatureC', 15),
          ethanol: number(given, 'refEthanol', 0),
          lambda: number(given, 'refLambda', 1),
        },
      ),
      (factor) => ({ ...factor }),
    ),
  'proof.decay': (given) => {
    const samples = pairs(given, 'samples')
    if (isRefusal(samples)) return samples
    return answer(
      judgeHold(samples, {
        volume: number(given, 'volume'),
        limit: number(given, 'limit'),
        sigma: number(given, 'sigma', 0.2),
      }),
      (hold) => ({ ...hold }),
    )
  },
  'bank.balance': (given) => {
    const { readings, influence } = given
    if (!isRow(readings)) return refuse('readings', 'The readings are a list of numbers.')
    if (!Array.isArray(influence) || !influence.every(isRow))
      return refuse('influence', 'The influence is a row of numbers for each body.')
    return answer(balanceBank(readings, influence, number(given, 'reference')), (balance) => ({ ...balance }))
  },
  'causes.posterior': (given) => {
    const { causes, evidence, seen = {}, findings = {}, questions = [] } = given
    const named = (value: unknown, figure: string) =>
      Array.isArray(value) &&
      value.every((one) => isRecord(one) && typeof one.id === 'string' && typeof one[figure] === 'number')
    if (!named(causes, 'prior')) return refuse('causes', 'A cause has id and prior.')
    if (
      !named(evidence, 'leak') ||
      !(evidence as Record<string, unknown>[]).every(
        ({ weights }) => isRecord(weights) && Object.values(weights).every((one) => typeof one === 'number'),
      )
    )
      return refuse('evidence', 'A piece of evidence has id, leak and weights by cause.')
    if (!isRecord(seen)) return refuse('seen', 'What is seen is by the id of its evidence.')
    if (!isRecord(findings)) return refuse('findings', 'What is found is by the id of its cause.')
    if (!named(questions, 'minutes')) return refuse('questions', 'A question has id and minutes.')
    return answer(
      weighCauses(
        { causes, evidence } as unknown as CauseNetwork,
        seen as Record<string, CauseSeen>,
        findings as Record<string, 'present' | 'absent'>,
        questions as Question[],
      ),
      (weighed) => ({ ...weighed }),
    )
  },
}
