import { findTags } from '@/workers/tag-finder'
import { median } from '@/core/camera/stitches'
import { readPhotograph } from '@/core/camera/read-photograph'
import { photograph } from '@/stand-ins/camera'
import { sceneOf } from '@/stand-ins/camera-scenes'

/**
 * The reader against photographs whose truth is known, none of them of the seeds it was made with.
 * usage: npm run bench:photographs [first seed] [how many]
 */
const [first = 1000, count = 100] = process.argv.slice(2).map(Number)

const lengths: number[] = []
const times: number[] = []
const failures: string[] = []
const tally = {
  readable: 0,
  read: 0,
  looks: 0,
  within: 0,
  zigzags: 0,
  skips: 0,
  skipsFound: 0,
  stitches: 0,
  falseSkips: 0,
  spoilt: 0,
  refused: 0,
}
for (let seed = first; seed < first + count; seed += 1) {
  const { scene, asked, truth, face } = sceneOf(seed)
  const { picture, truth: sewn } = photograph(scene)
  const began = performance.now()
  const result = readPhotograph(picture, await findTags(picture), asked)
  times.push(performance.now() - began)
  const says = `${seed} ${truth.look ?? 'zigzag'} ${face} ${scene.cloth.look}${scene.cloth.pattern ? ' patterned' : ''}`
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
  if (!truth.zigzag) {
    if (result.look === truth.look) tally.looks += 1
    else failures.push(`${says}: ${result.look}, share ${result.otherShare}, sewn ${scene.seam.otherShare.toFixed(2)}`)
  } else tally.zigzags += 1
  const off = Math.abs(
    result.lengthMm!.median - median(sewn.lengths.filter((each) => each < scene.seam.stitchMm * 1.5)),
  )
  lengths.push(off)
  if (off <= 0.1) tally.within += 1
  else failures.push(`${says}: length ${result.lengthMm!.median}, sewn ${scene.seam.stitchMm.toFixed(3)}`)
  if (truth.look !== 'nest' && !truth.zigzag) {
    tally.skips += sewn.skipped
    tally.stitches += sewn.holes
    tally.skipsFound += Math.min(sewn.skipped, result.skipped)
    tally.falseSkips += Math.max(0, result.skipped - sewn.skipped)
    if (sewn.skipped !== result.skipped) failures.push(`${says}: skipped ${result.skipped}, sewn ${sewn.skipped}`)
  }
}
console.log(failures.join('\n'))
const part = (of: number, all: number) => `${of}/${all} (${((100 * of) / Math.max(1, all)).toFixed(1)} %)`
console.log(`
${count} photographs from seed ${first}
read of those that can be     ${part(tally.read, tally.readable)}
look right, straight lines    ${part(tally.looks, tally.read - tally.zigzags)}
length within 0.1 mm          ${part(tally.within, tally.read)}, median error ${median(lengths).toFixed(3)} mm
skipped stitches found        ${part(tally.skipsFound, tally.skips)}, ${part(tally.falseSkips, tally.stitches)} false
a no where none can be read   ${part(tally.refused, tally.spoilt)}
time                          median ${Math.round(median(times))} ms, most ${Math.round(Math.max(...times))} ms; memory ${Math.round(process.memoryUsage.rss() / 1e6)} MB`)
