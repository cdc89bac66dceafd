import { computeKit } from '@/core/kit/kit'
import type { Kit, KitMachine } from '@/core/kit/request'
import { FEET } from '@/core/knowledge/stitch/foot'
import { NAMED_FABRICS, type NamedFabric } from '@/core/knowledge/cloth/named-fabric'
import { plain } from '@/core/units/words'
import { OPERATIONS, type Operation } from '@/core/knowledge/stitch/stitch'
import { sizeText } from '@/core/units/needle-size'

/** A household machine with all it may need, so that the table speaks of cloth and not of what one machine lacks. */
const MACHINE: KitMachine = {
  needleSystem: '130/705 H',
  needleNm: { min: 60, max: 120 },
  dial: { min: 0, max: 9, normal: 4, step: 0.5 },
  stitches: ['straight', 'zigzag', 'stretch', 'buttonhole', 'decorative'],
  maxWidthMm: 7,
  lengthMm: { min: 0, max: 5 },
  spoolPins: 2,
  feet: FEET,
  evenFeed: false,
  maxStackMm: 8,
  maxLeatherMm: 3.2,
  footPressure: 'adjustable',
  straightPlate: true,
}

const CROSSING = 4

interface Row {
  readonly operations: Operation[]
  readonly cells: string
}

/** Every named cloth with every operation, lines that come out alike put together. Two layers, four at the crossing. */
export function kitsTable(): string {
  const lines = NAMED_FABRICS.flatMap((fabric) => rowsOf(fabric).map((row) => line(fabric, row)))
  return `# What each cloth gets

Made by \`npm run kits-table\` from the core; a test fails when it is not what the core says. Every named cloth with its
middling numbers and the work that makes sense in it, ${CROSSING / 2} layers and ${CROSSING} at the crossing (two where that is too thick, rope one), on a household machine with dial 0–9 and normal 4. Every line is
a starting point: a swatch on the project's own cloth has the last word.

| cloth | for | needle | thread over bobbin, tex | stitch, mm | dial | foot, pressure | verdict |
|---|---|---|---|---|---|---|---|
${lines.join('\n')}
`
}

/** What nobody sews: a coil of chiffon, a knit hem of denim, darned rope. The core answers it all the same. */
function makesSense({ structure, stretchPercent = 0, traits = [] }: NamedFabric, operation: Operation): boolean {
  const gives = structure === 'knit' || structure === 'pile' || stretchPercent > 10
  const bag = structure === 'leather' || structure === 'coated'
  switch (operation) {
    case 'coil':
      return structure === 'rope'
    case 'stretch-seam':
    case 'knit-hem':
      return gives
    case 'wing':
      return !gives && structure === 'woven' && !traits.includes('quilted')
    case 'gather':
    case 'elastic':
    case 'blind-hem':
    case 'mending':
      return !bag && structure !== 'rope'
    case 'zigzag':
      return true
    case 'quilting':
    case 'buttonhole':
    case 'embroidery':
    case 'decorative':
    case 'baste':
    case 'zip':
    case 'free-motion':
    case 'edge-stitch':
      return structure !== 'rope'
    case 'seam':
    case 'topstitch':
      return true
  }
}

/** Four layers at the crossing where the machine takes them, else two; rope is sewn cord by cord. */
function crossingOf({ structure, thicknessMm = 0 }: NamedFabric): number {
  if (structure === 'rope') return 1
  const most = structure === 'leather' ? MACHINE.maxLeatherMm : MACHINE.maxStackMm
  return thicknessMm * CROSSING > most ? 2 : CROSSING
}

function rowsOf(fabric: NamedFabric): Row[] {
  const rows = new Map<string, Operation[]>()
  for (const operation of OPERATIONS.filter((each) => makesSense(fabric, each))) {
    const crossing = crossingOf(fabric)
    const { name: _, ...cloth } = fabric
    const { kits, refusals } = computeKit({
      fabric: cloth,
      layers: { seam: Math.min(2, crossing), crossing },
      operation,
      machine: MACHINE,
    })
    const cells = kits[0] ? kitCells(kits[0]) : `refused: ${refusals[0]!.because} | | | | | `
    rows.set(cells, [...(rows.get(cells) ?? []), operation])
  }
  return [...rows].map(([cells, operations]) => ({ cells, operations }))
}

function kitCells({ needle, topThread, bobbinThread, stitch, dial, foot, footPressure, verdict }: Kit): string {
  const gap = needle.gapMm ? `, ${plain(needle.gapMm)} apart` : ''
  const width = stitch.widthMm > 0 ? ` × ${plain(stitch.widthMm)}` : ''
  return [
    `${needle.point} ${sizeText(needle.sizeNm)}${gap}`,
    `${plain(topThread.tex)} ${topThread.fibre} over ${plain(bobbinThread.tex)}`,
    `${plain(stitch.lengthMm)}${width}`,
    plain(dial.setting!),
    `${foot}, ${footPressure}`,
    verdict,
  ].join(' | ')
}

const line = (fabric: NamedFabric, { operations, cells }: Row): string => {
  const number = fabric.massGsm === undefined ? `${plain(fabric.thicknessMm!)} mm` : `${plain(fabric.massGsm)} g/m²`
  return `| ${fabric.name}, ${number} | ${operations.join(', ')} | ${cells} |`
}
