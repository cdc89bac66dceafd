import { readable, type Rule } from '../fact'

/** What a person's own choice breaks. `stop`: the machine cannot do it or it strikes, so it cannot be kept at all. */
export interface OverrideCheck {
  readonly part: 'needle' | 'thread' | 'bobbin' | 'foot' | 'pressure' | 'stitch' | 'dial'
  readonly severity: 'stop' | 'note'
}

const row = (
  id: string,
  part: OverrideCheck['part'],
  severity: OverrideCheck['severity'],
  when: Rule<unknown>['when'],
  because: string,
): Rule<OverrideCheck> => ({
  id: `breaks-${id}`,
  when,
  give: { part, severity },
  because,
  source: severity === 'stop' ? 'safety' : 'common practice',
  confidence: 'high',
})

/** Every row that holds is told, whichever part was changed: a new needle may break the thread that was kept. */
export const OVERRIDE_CHECKS: readonly Rule<OverrideCheck>[] = readable([
  row('not-sold', 'needle', 'stop', { sold: { is: false } }, 'Nobody sells a {pointWords} {sizeText} for {system}.'),
  row(
    'too-small-for-machine',
    'needle',
    'stop',
    { sizeNm: { below: 'machineFinestNm' } },
    'The machine takes needles from {machineFinestNm} on; {sizeNm} is too fine for its hook.',
  ),
  row(
    'too-large-for-machine',
    'needle',
    'stop',
    { sizeNm: { over: 'machineThickestNm' } },
    'The machine takes needles to {machineThickestNm}; {sizeNm} would strike.',
  ),
  row(
    'twin-plate',
    'needle',
    'stop',
    { twin: { is: true }, gapMm: { over: 'widestGapMm' } },
    'With {gapMm} mm between the needles one of them strikes the plate: {widestGapMm} mm is the widest for this machine.',
  ),
  row(
    'wrong-point',
    'needle',
    'note',
    { vetoed: { is: true } },
    'A {pointWords} point is the wrong shape for {structure}: it cuts or misses the yarns.',
  ),
  row(
    'too-fine',
    'needle',
    'note',
    { sizeNm: { below: 'raisedLow' } },
    'This cloth and crossing want {raisedLow} or more; {sizeNm} bends, strikes and breaks.',
  ),
  row(
    'too-thick',
    'needle',
    'note',
    { sizeNm: { over: 'up' }, holeWanted: { is: false } },
    'This cloth likes {up} or less; {sizeNm} leaves visible holes.',
  ),
  row(
    'shreds',
    'thread',
    'note',
    { fitVerdict: { in: ['shreds'] } },
    'An eye only {clearance} times the thread shreds it.',
  ),
  row(
    'tight',
    'thread',
    'note',
    { fitVerdict: { in: ['tight'] } },
    'The eye is {clearance} times the thread, which is tight: a drop test decides.',
  ),
  row(
    'bonded-too-heavy',
    'thread',
    'stop',
    { household: { is: true }, threadFinish: { in: ['bonded'] }, threadTex: { over: 'heaviestBondedTex' } },
    '{threadTex} tex bonded thread strains this machine; {heaviestBondedTex} is the heaviest.',
  ),
  row(
    'staff-thread',
    'thread',
    'note',
    { learner: { is: true }, threadKinds: { has: ['bonded', 'monofilament', 'metallic'] } },
    'A learner sews {threadFinish} {threadFibre} thread only with staff beside them.',
  ),
  row(
    'unequal-weights',
    'bobbin',
    'note',
    { operation: { notIn: ['topstitch', 'embroidery', 'decorative', 'wing'] }, threadRatio: { over: 1.6 } },
    'Top and bobbin differ by more than half in weight, a named cause of jams and imbalance.',
  ),
  row('no-such-foot', 'foot', 'stop', { footThere: { is: false } }, 'The machine has no {foot} foot.'),
  row(
    'straight-foot',
    'foot',
    'stop',
    { foot: { in: ['straight'] }, wideOpening: { is: true } },
    'A needle that swings or stands aside, a twin or a wing needle strikes the straight-stitch foot.',
  ),
  row(
    'foot-sticks',
    'foot',
    'note',
    { footSuits: { is: false } },
    'This cloth wants {footWanted}; another foot sticks or lets the layers creep.',
  ),
  row(
    'pressure-fixed',
    'pressure',
    'stop',
    { pressureFixed: { is: true }, footPressure: { notIn: ['normal'] } },
    'This machine’s foot pressure cannot be changed.',
  ),
  row(
    'width-reach',
    'stitch',
    'stop',
    { widthMm: { over: 'reachWidthMm' } },
    'The machine swings {reachWidthMm} mm at most, not {widthMm}.',
  ),
  row(
    'twin-strikes',
    'stitch',
    'stop',
    { twin: { is: true }, widthMm: { over: 'twinWidthMm' } },
    'With {gapMm} mm between the needles a zigzag over {twinWidthMm} mm strikes the plate.',
  ),
  row(
    'length-short-reach',
    'stitch',
    'stop',
    { lengthMm: { below: 'reachLow' } },
    'The machine’s shortest stitch is {reachLow} mm.',
  ),
  row(
    'length-long-reach',
    'stitch',
    'stop',
    { lengthMm: { over: 'reachHigh' } },
    'The machine’s longest stitch is {reachHigh} mm.',
  ),
  row(
    'perforates',
    'stitch',
    'note',
    { structure: { in: ['leather', 'coated'] }, widthMm: { upTo: 0 }, lengthMm: { below: 2.5 } },
    'Holes every {lengthMm} mm perforate {structure} like a stamp.',
  ),
  row(
    'dial-off-scale',
    'dial',
    'stop',
    { any: [{ setting: { below: 'dialMin' } }, { setting: { over: 'dialMax' } }] },
    'The dial runs from {dialMin} to {dialMax}.',
  ),
  row(
    'dial-far',
    'dial',
    'note',
    { dialMoved: { over: 2 } },
    '{setting} is {dialMoved} numbers from where this kit starts; more than two is seldom the dial’s fault.',
  ),
])
