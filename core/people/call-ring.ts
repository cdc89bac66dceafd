import type { HelpCall } from './help-call'

/** How often a call is to be heard again until somebody says that they go, ms. A visit is no call. */
const EVERY_MS: Readonly<Record<HelpCall['about'], number | undefined>> = {
  hurt: 10_000,
  help: 60_000,
  visit: undefined,
}

/** A call as far as a device lets it be heard. */
export interface RingingCall {
  readonly callId: string
  readonly about: HelpCall['about']
  readonly going?: object | true | undefined
}

/**
 * What is to be heard at a device now: the gravest of the calls that nobody goes to and that it has not let be heard lately.
 * @param heard when each was heard last at this device, ms of a clock that only goes forward; `now` of the same clock
 */
export function toBeHeard<Call extends RingingCall>(
  calls: readonly Call[],
  heard: ReadonlyMap<string, number>,
  now: number,
): Call | undefined {
  const due = calls.filter(({ callId, about, going }) => {
    const every = EVERY_MS[about]
    return every !== undefined && !going && now - (heard.get(callId) ?? -Infinity) >= every
  })
  return due.find(({ about }) => about === 'hurt') ?? due[0]
}
