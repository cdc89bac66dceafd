import { GSM_PER_OUNCE_PER_SQUARE_YARD } from './mass'

/** In what people of a venue measure and weigh; books and kits hold metric numbers whatever is chosen. */
export interface Units {
  readonly length: 'metric' | 'inch'
  readonly mass: 'grams' | 'ounces'
}

export const METRIC: Units = { length: 'metric', mass: 'grams' }

const CM_PER_INCH = 2.54
const GRAMS_PER_OUNCE = 28.3495
const METRES_PER_YARD = 0.9144
const MM_PER_THOU = 0.0254

interface Unit {
  readonly unit: string
  /** how much of the metric unit one of it is */
  readonly is: number
}

/** What is measured at a table: the metric unit, and the other. Source: geometry. */
const QUANTITIES = {
  clothMass: {
    by: 'mass',
    metric: { unit: 'g/m²', is: 1 },
    other: { unit: 'oz/yd²', is: GSM_PER_OUNCE_PER_SQUARE_YARD },
  },
  weight: { by: 'mass', metric: { unit: 'g', is: 1 }, other: { unit: 'oz', is: GRAMS_PER_OUNCE } },
  thickness: { by: 'length', metric: { unit: 'mm', is: 1 }, other: { unit: 'thou', is: MM_PER_THOU } },
  piece: { by: 'length', metric: { unit: 'cm', is: 1 }, other: { unit: 'in', is: CM_PER_INCH } },
  seam: { by: 'length', metric: { unit: 'm', is: 1 }, other: { unit: 'yd', is: METRES_PER_YARD } },
} as const satisfies Record<string, { by: keyof Units; metric: Unit; other: Unit }>
export type Quantity = keyof typeof QUANTITIES

const unitFor = (quantity: Quantity, units: Units): Unit => {
  const { by, metric, other } = QUANTITIES[quantity]
  return units[by] === METRIC[by] ? metric : other
}

export const unitOf = (quantity: Quantity, units: Units): string => unitFor(quantity, units).unit
/** A metric number as people of the venue read it. */
export const shownIn = (quantity: Quantity, metric: number, units: Units): number =>
  metric / unitFor(quantity, units).is
/** What people of the venue typed, as a metric number. */
export const metricFrom = (quantity: Quantity, typed: number, units: Units): number =>
  typed * unitFor(quantity, units).is
