import { findTags } from '@/workers/tag-finder'
import { median } from '@/core/camera/rows'
import { scoreOf } from '@/core/camera/look'
import { readPhotograph } from '@/core/camera/read-photograph'
import { photograph } from '@/stand-ins/camera'
import { sceneOf } from '@/stand-ins/camera-scenes'
import { drawnPhotograph, type DrawnPhotograph } from '@/stand-ins/drawn-photograph'

/**
 * The reader against photographs whose truth is known, none of them of the seeds it was made with.
 * usage: npm run bench:photographs [first seed] [how many] [drawn: by the other hand]
 */
const [first = 1000, count = 100] = process.argv.slice(2, 4).map(Number)
const taken = process.argv[4] === 'drawn' ? drawnPhotograph : rendered

/** One of the stand-in camera, told as those of the other hand are. */
function rendered(seed: number): DrawnPhotograph {
  const { scene, asked, truth, face } = sceneOf(seed)
  const { picture, truth: sewn } = photograph(scene)
  return {
    picture,
    asked: { ...asked, face },
    truth: {
      ...truth,
      lengths: sewn.lengths,
      skipped: sewn.skipped,
      stitches: sewn.holes,
      ...(truth.zigzag && { widthMm: scene.seam.widthMm }),
      ...(scene.seam.otherShare > 0 && { otherShare: scene.seam.otherShare }),
      drawn: `${scene.cloth.look}${scene.cloth.pattern ? ' patterned' : ''}`,
    },
  }
}

const lengths: number[] = []
const widths: number[] = []
/** of the processor, ms: on one core, whatever else the machine does meanwhile */
const times: number[] = []
const MOST_MS = 2_000
/** of a score: how far it is off, and how far it says that it may be */
const scores: { off: number; spread: number }[] = []
const failures: string[] = []
const tally = {
  readable: 0,
  read: 0,
  looks: 0,
  within: 0,
  skips: 0,
  skipsFound: 0,
  stitches: 0,
  falseSkips: 0,
  spoilt: 0,
  refused: 0,
}
for (let seed = first; seed < first + count; seed += 1) {
  const { picture, asked, truth } = await taken(seed)
  const before = process.cpuUsage()
  const result = readPhotograph(picture, await findTags(picture), asked)
  const { user, system } = process.cpuUsage(before)
  times.push((user + system) / 1000)
  const says = `${seed} ${truth.look}${truth.zigzag ? ' zigzag' : ''} ${asked.face} ${truth.drawn}`
  if (truth.unreadable) {
    tally.spoilt += 1
    if (!result.read) tally.refused += 1
    else failures.push(`${says}: read, though ${truth.unreadable}`)
    continue
  }
  tally.readable += 1
  if (!result.read) {
    failures.push(`${says}: ${result.missing}: ${result.because}`)
    continue
  }
  tally.read += 1
  const zigzag = result.widthMm !== undefined
  if (zigzag !== truth.zigzag) failures.push(`${says}: ${zigzag ? 'a zigzag' : 'no zigzag'}`)
  if (result.look === truth.look) tally.looks += 1
  else failures.push(`${says}: ${result.look}, share ${result.otherShare}`)
  if (zigzag && truth.zigzag) widths.push(result.widthMm - truth.widthMm!)
  if (truth.otherShare !== undefined && result.look === truth.look)
    scores.push({
      off: result.score! - scoreOf(truth.look, truth.otherShare, asked.face)!,
      spread: result.scoreSpread,
    })
  // A skipped stitch makes one of twice the length; those are counted by themselves.
  const sewn = median(truth.lengths.filter((each) => each < 1.5 * median(truth.lengths)))
  const off = Math.abs(result.lengthMm!.median - sewn)
  lengths.push(off)
  if (off <= 0.1) tally.within += 1
  else failures.push(`${says}: length ${result.lengthMm!.median}, sewn ${sewn.toFixed(3)}`)
  if (truth.look !== 'nest' && !truth.zigzag) {
    tally.skips += truth.skipped
    tally.stitches += truth.stitches
    tally.skipsFound += Math.min(truth.skipped, result.skipped)
    tally.falseSkips += Math.max(0, result.skipped - truth.skipped)
    if (truth.skipped !== result.skipped) failures.push(`${says}: skipped ${result.skipped}, sewn ${truth.skipped}`)
  }
}
console.log(failures.join('\n'))
const part = (of: number, all: number) => `${of}/${all} (${((100 * of) / Math.max(1, all)).toFixed(1)} %)`
console.log(`
${count} photographs from seed ${first}
read of those that can be     ${part(tally.read, tally.readable)}
look right                    ${part(tally.looks, tally.read)}
length within 0.1 mm          ${part(tally.within, tally.read)}, median error ${median(lengths).toFixed(3)} mm
width of zigzags              median error ${median(widths).toFixed(2)} mm, ${part(widths.filter((off) => Math.abs(off) <= 0.2).length, widths.length)} within 0.2 mm
score                         spread ${Math.sqrt(scores.reduce((sum, { off }) => sum + off * off, 0) / Math.max(1, scores.length)).toFixed(2)}, said ${median(scores.map(({ spread }) => spread)).toFixed(2)}; ${part(scores.filter(({ off, spread }) => Math.abs(off) <= 2 * spread).length, scores.length)} within two of what is said
skipped stitches found        ${part(tally.skipsFound, tally.skips)}, ${part(tally.falseSkips, tally.stitches)} false
a no where none can be read   ${part(tally.refused, tally.spoilt)}
time of one core              median ${Math.round(median(times))} ms, most ${Math.round(Math.max(...times))} ms; ${part(times.filter((each) => each <= MOST_MS).length, times.length)} within ${MOST_MS / 1000} s; memory ${Math.round(process.memoryUsage.rss() / 1e6)} MB`)
