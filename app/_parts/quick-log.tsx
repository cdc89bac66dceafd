'use client'

import { named } from '@/core/units/words'
import { useState } from 'react'
import type { LineBody } from '@/core/machine/event'
import type { Traits } from '@/core/knowledge/machine/trait'
import { FAULTS } from '@/core/knowledge/fault/fault-kind'
import { LOADS, type Load } from '@/core/knowledge/needle/wear'
import { Choice, Tick } from '@/ui/fields/choice'
import { Count } from '@/ui/fields/number'
import { Select } from '@/ui/fields/select'
import { Text } from '@/ui/fields/text'
import { FaultNote } from '@/ui/parts/fault-note'
import { Opener } from '@/ui/parts/opener'
import { useWrite } from '@/ui/parts/use-write'

type Form = 'used' | 'noted' | 'red-tagged' | 'needle-broke' | 'fault-opened' | 'oiled'

const OILED = [
  { where: 'race', words: 'Hook race' },
  { where: 'arm', words: 'Arm and take-up' },
  { where: 'everywhere', words: 'Both' },
] as const

const LOAD_WORDS: Readonly<Record<Load, string>> = {
  ordinary: 'ordinary cloth',
  hard: 'dense, coated, denim, canvas, batting, fleece',
  harsh: 'leather, vinyl, rope, metallic, sticky',
}

const TEXT_WORDS: Readonly<Partial<Record<Form, string>>> = {
  noted: 'Note',
  'needle-broke': 'What happened (if known)',
  'fault-opened': 'What was seen, heard or smelt',
}

/** The lines that are written most, one tap each; the few that need a word ask for it in place. */
export function QuickLog({
  machineId,
  tagged,
  oiling,
}: {
  machineId: string
  tagged: boolean
  /** where its manual wants oil: with more than one place, each is a tap of its own */
  oiling: Traits['oiling'] | undefined
}) {
  const { busy, fault, log } = useWrite()
  const [form, setForm] = useState<Form>()
  const [text, setText] = useState('')
  const [minutes, setMinutes] = useState(60)
  const [load, setLoad] = useState<Load>('ordinary')
  const [finished, setFinished] = useState(false)
  const [kind, setKind] = useState<(typeof FAULTS)[number]>('jam')

  const done = (landed: boolean) => {
    if (!landed) return
    setForm(undefined)
    setText('')
  }
  const bodies: { readonly [Kind in Form]: () => { body: LineBody<Kind>; words: string } } = {
    used: () => ({
      body: { use: { load, chairMinutes: minutes }, finishedProject: finished },
      words: 'Sewing time written down',
    }),
    noted: () => ({ body: { text }, words: 'Noted' }),
    'red-tagged': () => ({ body: { because: text }, words: 'Red tag on: nobody sews on it' }),
    'fault-opened': () => ({
      body: { fault: kind, ...(text && { seen: text }) },
      words: kind === 'electrical' ? 'Stopped: unplug it at the wall' : 'Fault written down',
    }),
    oiled: () => ({ body: {}, words: 'Oiled' }),
    'needle-broke': () => ({
      body: { piecesFound: false, ...(text && { cause: text }) },
      words: 'Stopped until every piece is found',
    }),
  }
  const button = (name: Form, words: string) => (
    <Opener words={words} open={form === name} toggle={() => setForm(form === name ? undefined : name)} />
  )
  return (
    <div className="mt-2">
      <div className="flex flex-wrap gap-2">
        <button
          type="button"
          className="btn btn-outline"
          disabled={busy}
          onClick={() => void log(machineId, 'cleaned', {}, { done: 'Cleaned' })}
        >
          Cleaned
        </button>
        <button
          type="button"
          className="btn btn-outline"
          disabled={busy}
          onClick={() => void log(machineId, 'cleaned', { found: 'lots of fluff' }, { done: 'Cleaned: lots of fluff' })}
        >
          Cleaned: lots of fluff
        </button>
        {oiling === 'race-and-arm' && button('oiled', 'Oiled …')}
        {/* Where the manual wants none, nobody is led to oil it. */}
        {oiling !== 'race-and-arm' && oiling !== 'never' && (
          <button
            type="button"
            className="btn btn-outline"
            disabled={busy}
            onClick={() => void log(machineId, 'oiled', {}, { done: 'Oiled' })}
          >
            Oiled
          </button>
        )}
        {button('used', 'Sewn for …')}
        {button('noted', 'Note …')}
        <button
          type="button"
          className="btn btn-outline"
          disabled={busy}
          onClick={() => void log(machineId, 'bobbin-wound', { count: 1 }, { done: 'A bobbin wound' })}
        >
          Bobbin wound
        </button>
        {button('needle-broke', 'Needle broke …')}
        {button('fault-opened', 'Fault …')}
        {!tagged && button('red-tagged', 'Red tag …')}
      </div>
      {form === 'oiled' && (
        <div
          className="mt-3 flex flex-wrap items-center gap-2 border-l-4 border-base-300 pl-4"
          role="group"
          aria-label="Which was oiled?"
        >
          Which?
          {OILED.map(({ where, words }) => (
            <button
              key={where}
              type="button"
              className="btn btn-outline"
              disabled={busy}
              onClick={() =>
                void log(machineId, 'oiled', { where }, { done: `Oiled: ${words.toLowerCase()}` }).then(done)
              }
            >
              {words}
            </button>
          ))}
        </div>
      )}
      {form && form !== 'oiled' && (
        <form
          className="mt-3 flex flex-col gap-3 border-l-4 border-base-300 pl-4"
          onSubmit={(submitted) => {
            submitted.preventDefault()
            const { body, words } = bodies[form]()
            void log(machineId, form, body, { done: words }).then(done)
          }}
        >
          {form === 'used' ? (
            <>
              <Count label="Minutes in the chair" min={1} max={600} value={minutes} set={setMinutes} />
              <Choice label="On" options={LOADS.map((each) => [each, LOAD_WORDS[each]])} value={load} set={setLoad} />
              <Tick label="A project was finished" value={finished} set={setFinished} />
            </>
          ) : (
            <>
              {form === 'needle-broke' && (
                <p>
                  Power off, glasses stay on. Find point, blade and shank and lay them together; look in the case and
                  under the plate.
                </p>
              )}
              {form === 'red-tagged' && (
                <p>
                  Smell, spark, shock or a damaged cord: unplug at the wall first. Electrical repair is for a licensed
                  repairer.
                </p>
              )}
              {form === 'fault-opened' && (
                <>
                  <Select
                    label="What kind"
                    options={FAULTS.map((each) => [each, named(each)])}
                    value={kind}
                    set={setKind}
                  />
                  {kind === 'electrical' && (
                    <p className="font-semibold text-secondary">
                      Unplug it at the wall now. It stays stopped until a licensed repair is written down.
                    </p>
                  )}
                </>
              )}
              <Text
                label={TEXT_WORDS[form] ?? 'Why'}
                most={500}
                optional={form === 'needle-broke' || form === 'fault-opened'}
                value={text}
                set={setText}
              />
            </>
          )}
          <FaultNote fault={fault} />
          <button type="submit" className="btn btn-primary self-start" disabled={busy}>
            Write it down
          </button>
        </form>
      )}
    </div>
  )
}
