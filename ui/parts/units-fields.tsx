'use client'

import type { Units } from '@/core/units/measure'
import { Choice } from '../fields/choice'
import type { FieldOf } from '../fields/row'

type Field<Value> = Omit<FieldOf<Value>, 'label' | 'set'> & { readonly set: (value: Value) => void }

export const LengthsIn = (field: Field<Units['length']>) => (
  <Choice
    {...field}
    label="Lengths in"
    options={[
      ['metric', 'centimetres'],
      ['inch', 'inches'],
    ]}
  />
)

export const WeightsIn = (field: Field<Units['mass']>) => (
  <Choice
    {...field}
    label="Weights in"
    options={[
      ['grams', 'grams'],
      ['ounces', 'ounces'],
    ]}
  />
)
