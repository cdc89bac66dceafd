import { CHECKS } from '../knowledge/fault/fault-check'
import { SYMPTOM_WORDS } from '../knowledge/fault/symptom'
import { POINTS, systemWords } from '../knowledge/needle/needle'
import { counted, plain, spaced } from '../units/words'
import { GROUP_WORDS } from '../knowledge/check/check'
import { readSwatch, READING_WORDS } from '../tension/reading'
import { effectiveHoursOf, type Use } from '../wear/wear'
import { sizeText } from '../units/needle-size'
import type { BodyOf, Happening } from './event'

/** A line of the book in words: what happened, and the numbers in it. */
export interface EventWords {
  readonly title: string
  readonly detail: string
}

const needle = (each: { point: keyof typeof POINTS; sizeNm: number; system: string }) =>
  `${POINTS[each.point].words} ${sizeText(each.sizeNm)}${systemWords(each.system)}`
const OUTCOME_WORDS: Readonly<Record<BodyOf<'fault-run'>['outcome'], string>> = {
  cured: 'cured',
  'handed-on': 'handed to staff',
  'red-tag': 'red-tagged',
  service: 'for a technician',
  left: 'left as it is',
}

const spokenName = (name: string) => name.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase()

/** Settings in words: "dial 4, length 2.5 mm". */
export const settingsWords = (settings: BodyOf<'found-off'>['settings']): string =>
  Object.entries(settings)
    .map(([name, value]) =>
      name.endsWith('Mm')
        ? `${spokenName(name.slice(0, -2))} ${plain(value as number)} mm`
        : `${spokenName(name)} ${typeof value === 'number' ? plain(value) : value}`,
    )
    .join(', ')

export function eventWords(happened: Happening): EventWords {
  switch (happened.kind) {
    case 'needle-changed': {
      const { out, in: fitted } = happened.body
      const went = out && `Out: ${spaced(out.state)}, because ${spaced(out.reason)}, to ${spaced(out.wentTo)}.`
      const came =
        fitted &&
        `In: ${needle(fitted)}, ${spaced(fitted.condition)}${fitted.effectiveHours ? `, ${plain(fitted.effectiveHours)} h on its tag` : ''}.`
      return {
        title: fitted ? `Needle: ${needle(fitted)}` : 'Needle taken out',
        detail: [went, came].filter(Boolean).join(' '),
      }
    }
    case 'needle-broke': {
      const { piecesFound, cause } = happened.body
      const pieces = piecesFound ? 'Every piece was found.' : 'Not every piece was found: the machine is stopped.'
      return { title: 'A needle broke', detail: [pieces, cause && `Cause: ${cause}.`].filter(Boolean).join(' ') }
    }
    case 'pieces-found':
      return {
        title: 'Every piece found',
        detail: 'The broken needle is whole again on the table; the machine is released.',
      }
    case 'set-up': {
      const { thread, foot, dial } = happened.body
      const parts = [
        thread && `${plain(thread.tex)} tex ${thread.fibre}`,
        foot && `${foot} foot`,
        dial !== undefined && `dial ${plain(dial)}`,
      ].filter(Boolean)
      return { title: 'Set up', detail: parts.join(', ') }
    }
    case 'check-run': {
      const list = happened.body.list === 'room' ? 'Room check' : 'Seat check'
      const failed = happened.body.steps.filter(({ result }) => result === 'fail')
      const groups = [...new Set(failed.map(({ group }) => GROUP_WORDS[group]))].join(', ')
      return failed.length > 0
        ? { title: `${list}: not yet`, detail: `Failed: ${groups}.` }
        : { title: `${list} passed`, detail: `${counted(happened.body.steps.length, 'step')}.` }
    }
    case 'swatch-stitched': {
      const { dial, target, asNear } = happened.body
      const { reading } = readSwatch(happened.body, target)
      const near = asNear === undefined ? '' : `; ${plain(asNear)} is as near as this dial comes`
      return {
        title: `Swatch at ${plain(dial)}: ${spaced(reading)}${near}`,
        detail: `${spaced(happened.body.target)}. ${READING_WORDS[reading]}`,
      }
    }
    case 'used': {
      const use = happened.body.use as Use
      const time =
        use.chairMinutes !== undefined
          ? counted(use.chairMinutes, 'chair minute')
          : use.motorMinutes !== undefined
            ? counted(use.motorMinutes, 'motor minute')
            : counted(use.stitches ?? 0, 'stitch', 'stitches')
      const { metered } = happened.body
      const meter = metered
        ? ` by the run meter, ${counted(metered.stitches, 'stitch', 'stitches')} in ${counted(metered.starts, 'start')}`
        : ''
      const finished = happened.body.finishedProject ? ' A project was finished.' : ''
      return {
        title: `Sewn, ${counted(effectiveHoursOf(use), 'needle hour')}`,
        detail: `${time}${meter}, ${use.load} load.${finished}`,
      }
    }
    case 'cleaned':
      return { title: 'Cleaned', detail: happened.body.found ? `Found: ${happened.body.found}.` : '' }
    case 'oiled': {
      const { where = 'race' } = happened.body
      const place =
        where === 'race' ? 'in the race' : where === 'arm' ? 'at the points in the arm' : 'everywhere it is wanted'
      return { title: 'Oiled', detail: `One drop of sewing machine oil ${place}, as the manual says.` }
    }
    case 'bobbin-wound': {
      const { count, thread } = happened.body
      const what = thread ? ` of ${plain(thread.tex)} tex ${thread.fibre}` : ''
      return { title: count === 1 ? 'A bobbin wound' : `${count} bobbins wound`, detail: what && `Thread${what}.` }
    }
    case 'laid-out':
      return { title: `Laid out: ${happened.body.what}`, detail: '' }
    case 'baseline-set':
      return { title: 'Baseline set', detail: settingsWords(happened.body.settings) }
    case 'found-off':
      return { title: 'Found off its baseline', detail: settingsWords(happened.body.settings) }
    case 'restored':
      return { title: 'Set back to its baseline', detail: '' }
    case 'trait-learnt': {
      const { trait, words, source } = happened.body
      return { title: `Learnt: ${spokenName(trait)}`, detail: `${words} (${source}).` }
    }
    case 'fault-opened':
      return { title: `Fault: ${happened.body.fault}`, detail: happened.body.seen ?? '' }
    case 'fault-cured':
      return { title: `Cured: ${happened.body.fault}`, detail: happened.body.cure }
    case 'fault-run': {
      const { symptom, answers, outcome, cured } = happened.body
      const looked = answers.length === 1 ? 'One thing looked at' : `${answers.length} things looked at`
      return {
        title: `${SYMPTOM_WORDS[symptom]}: ${OUTCOME_WORDS[outcome]}`,
        detail: cured ? `${CHECKS[cured].remedy} ${looked}.` : `${looked}.`,
      }
    }
    case 'bobbin-screw-turned': {
      const { eighths, because } = happened.body
      const count = Math.abs(eighths) === 1 ? 'one eighth' : `${Math.abs(eighths)} eighths`
      return { title: `Bobbin screw ${count} ${eighths > 0 ? 'tighter' : 'looser'}`, detail: because ?? '' }
    }
    case 'serviced': {
      const { by, electrical, did } = happened.body
      return {
        title: electrical ? 'Licensed electrical repair' : 'Serviced',
        detail: [`By ${by}.`, did].filter(Boolean).join(' '),
      }
    }
    case 'electrical-test': {
      const { passed, by, nextDue } = happened.body
      const next = nextDue ? ` Next by ${nextDue.slice(0, 10)}.` : ''
      return { title: `Electrical test ${passed ? 'passed' : 'failed'}`, detail: `By ${by}.${next}` }
    }
    case 'released':
      return { title: 'Released', detail: happened.body.because }
    case 'red-tagged':
      return { title: 'Red tag on', detail: happened.body.because }
    case 'red-tag-lifted':
      return { title: 'Red tag off', detail: happened.body.because }
    case 'somebody-hurt':
      return {
        title: 'Somebody was hurt',
        detail: happened.body.what ?? 'The machine is stopped until staff have looked.',
      }
    case 'noted':
      return { title: 'Note', detail: happened.body.text }
  }
}
