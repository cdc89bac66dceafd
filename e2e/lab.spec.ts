import type { Page } from '@playwright/test'
import { MOVE_WORDS, VERDICT_WORDS } from '@/core/knowledge/tension/answer'
import { DRILLS } from '@/core/knowledge/tension/drill'
import {
  answerPrediction,
  answerVerdict,
  isPredictable,
  makeMove,
  newRound,
  PREDICTION_WORDS,
  rightMove,
  verdictOf,
} from '@/core/trainer/swatch-round'
import { choosePicture, expect, openMachine, stateFile, test } from './people'
import { foundIn } from './views'

const GATES = ['Re-threaded, foot up', 'New needle', 'Bobbin out, looked at', 'Same thread weight', 'Lint out']
/** Everything that comes before the dial is done. */
async function passGates(page: Page): Promise<void> {
  for (const gate of GATES) await page.getByLabel(gate).check()
}

test.describe('a learner', () => {
  test.use({ storageState: stateFile('learner') })

  test('passes the trainer: swatches read and put right in order, a drill, and both stay done', async ({ page }) => {
    // Every swatch of this session is the same one, so the test knows what is wrong with it.
    await page.addInitScript(() => {
      Math.random = () => 0.3
    })
    await page.goto('/station')
    await page.getByRole('link', { name: 'Lab', exact: true }).click()
    await page.getByRole('link', { name: 'Trainer' }).click()
    await page.getByRole('button', { name: /^Swatches/ }).click()
    for (let swatch = 1; swatch <= 3; swatch += 1) {
      await expect(page.getByRole('heading', { level: 1, name: `Swatch ${swatch} of 3` })).toBeVisible()
      let round = newRound(() => 0.3)
      while (!round.finished) {
        const verdict = verdictOf(round)
        await page.getByRole('button', { name: VERDICT_WORDS[verdict], exact: true }).click()
        await expect(page.getByText(/^Yes: /)).toBeVisible()
        const read = answerVerdict(round, verdict).round
        const move = rightMove(read)
        await page.getByRole('button', { name: MOVE_WORDS[move], exact: true }).click()
        const predicted = isPredictable(move)
          ? answerPrediction(read, move, move === 'dial-up' ? 'knot-rises' : 'knot-sinks')
          : { round: read }
        if ('truth' in predicted) {
          await page.getByRole('button', { name: PREDICTION_WORDS[predicted.truth], exact: true }).click()
          await expect(page.getByText(/^As you said: /)).toBeVisible()
        }
        round = makeMove(predicted.round, move).round
      }
      await page.getByRole('button', { name: swatch === 3 ? 'Done' : 'The next swatch', exact: true }).click()
    }
    await expect(page.getByText(/: well done$/)).toBeVisible()

    const drill = DRILLS.find(({ id }) => id === 'discs')!
    await page.getByRole('button', { name: new RegExp(`^${drill.title}`) }).click()
    for (const [index, question] of drill.questions.entries()) {
      await page.getByRole('button', { name: question.options[question.right]!, exact: true }).click()
      await expect(page.getByText('Yes.')).toBeVisible()
      const last = index === drill.questions.length - 1
      await page.getByRole('button', { name: last ? 'Done' : 'Next', exact: true }).click()
    }
    await expect(page.getByRole('button', { name: /^Swatches/ })).toContainText('✓ done')
    await page.reload()
    await expect(page.getByRole('button', { name: /^Swatches/ })).toContainText('✓ done')
    await expect(page.getByRole('button', { name: new RegExp(`^${drill.title}`) })).toContainText('✓ done')
    expect(await foundIn(page)).toEqual([])
  })

  test('finds that a nest was threading, and the finder says so in the book', async ({ page }) => {
    await page.goto('/station/fault')
    await page.getByLabel('What do you see, hear or feel?').fill('nest')
    await page.getByRole('button', { name: 'A nest underneath at the start' }).click()
    const next = page.getByRole('region', { name: 'Look at this next' })
    await expect(next).toContainText('Tails held at the start')
    await next.getByRole('button', { name: 'Not that' }).click()
    await page.reload()
    await expect(next).toContainText('Thread again, foot up')
    // This machine's own way of it.
    await expect(next).toContainText('Lift the presser foot')
    await next.getByRole('button', { name: 'That was it' }).click()
    await page.getByRole('button', { name: 'Yes, it is cured' }).click()
    await expect(page.getByText('Cured, and written down')).toBeVisible()
    await expect(page.getByText('You sit at Curlew')).toBeVisible()
  })
})

test.describe('staff', () => {
  test.use({ storageState: stateFile('coordinator') })

  test('bring a real swatch to balance in three, with the curve to show for it', async ({ page }) => {
    await openMachine(page, 'Knot')
    await page.getByRole('link', { name: 'Read a swatch' }).click()
    const reading = page.getByRole('region', { name: 'Reading' })
    await passGates(page)
    const look = async (top: string, under: string) => {
      await choosePicture(page, top)
      await choosePicture(page, under)
    }
    const advised = async () => Number(/Turn the dial: ([\d.]+)/.exec(await reading.innerText())![1])
    const at = page.getByLabel('The dial stands at')
    const start = Number(await at.inputValue())
    await look('dots of the light bobbin thread', 'only the light thread')
    await expect(reading).toContainText('Turn the dial')
    await expect(reading).toContainText('four chances in five')
    const second = await advised()
    expect(second).toBeLessThanOrEqual(start - 1)
    await page.getByRole('button', { name: 'Write this swatch down' }).click()
    await expect(at).toHaveValue(String(second))

    // What was sewn this session is remembered, the gates too.
    await page.reload()
    await expect(reading).toContainText('Swatch 1 of this trouble')
    await expect(page.getByLabel('Lint out')).toBeChecked()
    await at.fill(String(second))
    await look('only the dark thread', 'dots of the dark top thread')
    await expect(reading).toContainText('Turn the dial')
    const third = await advised()
    expect(third).toBeGreaterThan(second)
    expect(third).toBeLessThan(start)
    await page.getByRole('button', { name: 'Write this swatch down' }).click()
    await expect(at).toHaveValue(String(third))
    await look('only the dark thread', 'only the light thread')
    await expect(reading).toContainText('Good: you can sew')
    await page.getByRole('button', { name: 'Write this swatch down' }).click()
    await expect(page.getByRole('heading', { level: 1, name: 'Knot' })).toBeVisible()
    await page.getByRole('link', { name: 'its curve' }).click()
    await expect(page.getByRole('img', { name: /swatches; most likely right at/ })).toBeVisible()
    expect(await page.locator('[data-part="swatch"]').count()).toBeGreaterThanOrEqual(3)
    await expect(page.getByRole('region', { name: 'Tag of the last swatch' })).toContainText(`Knot, dial ${third}`)
    expect(await foundIn(page)).toEqual([])
  })

  test('turn the bobbin screw only where the dial ends, in counted eighths that the book keeps', async ({ page }) => {
    await openMachine(page, 'Snipe')
    await page.getByRole('link', { name: 'Read a swatch' }).click()
    await passGates(page)
    const at = page.getByLabel('The dial stands at')
    await at.fill((await at.getAttribute('max'))!)
    await page.getByText('twin needle', { exact: true }).click()
    const reading = page.getByRole('region', { name: 'Reading' })
    const loops = async (said: RegExp) => {
      await choosePicture(page, 'only the dark thread')
      await choosePicture(page, /loops of the dark/)
      await expect(reading).toContainText(said)
    }
    // Found off, it is put back first; then two more that show all there is to see are no slope.
    for (const said of [/Put the dial back: /, /Turn the dial: /]) {
      await loops(said)
      await page.getByRole('button', { name: 'Write this swatch down' }).click()
      await expect(reading).toContainText('of this trouble')
      await expect(page.getByRole('radio', { name: /loops of the dark/ })).not.toBeChecked()
    }
    await loops(/The bobbin screw, in eighths/)
    await page.getByRole('button', { name: '1⁄8 looser' }).click()
    await expect(page.getByText('Written down: 1⁄8 looser')).toBeVisible()
    await page.goto(page.url().replace(/\/swatch$/, ''))
    await expect(page.getByText('Bobbin screw one eighth looser').first()).toBeVisible()
  })

  test('stop at once for anything electrical, and nothing is offered to look at', async ({ page }) => {
    await openMachine(page, 'Avocet')
    await page.getByRole('link', { name: 'Something is wrong' }).click()
    await page.getByRole('button', { name: 'A smell, a spark, a shock, a damaged cord' }).click()
    await expect(page.getByRole('heading', { name: 'Stop. Unplug it at the wall now' })).toBeVisible()
    await expect(page.getByRole('region', { name: 'Look at this next' })).toHaveCount(0)
    await page.getByRole('button', { name: /^It is unplugged/ }).click()
    await expect(page.getByRole('heading', { level: 1, name: 'Avocet' })).toBeVisible()
    await expect(page.getByText('unplugged until a licensed repair is logged').first()).toBeVisible()
    await page.getByRole('button', { name: 'Licensed repair …' }).click()
    await page.getByLabel('By whom (licensed)').fill('a licensed repairer')
    await page.getByRole('button', { name: 'Write it down' }).click()
    await expect(page.getByText('Licensed repair written down')).toBeVisible()
  })

  test('see in the lab what the dial does, by keys and in words, and sign somebody off', async ({ page }) => {
    await page.goto('/lab')
    const shows = page.getByRole('region', { name: 'What it shows' })
    await expect(shows).toContainText('Balanced')
    await page.getByRole('slider', { name: 'Dial' }).focus()
    for (let press = 0; press < 2; press += 1) await page.keyboard.press('ArrowRight')
    await expect(shows).toContainText('pulls a little too hard')
    await expect(page.getByRole('img', { name: /^Top: dots of the bobbin thread/ })).toBeVisible()
    // The dial itself is turned as well: from its top, where its middle mark is, to its left, where it is loose.
    const dial = page.getByRole('img', { name: /^Tension dial/ })
    const box = (await dial.boundingBox())!
    await page.mouse.move(box.x + box.width / 2, box.y + 20)
    await page.mouse.down()
    await page.mouse.move(box.x + 20, box.y + box.height / 2, { steps: 4 })
    await expect(shows).toContainText(/too loose|loops/)
    await page.mouse.move(box.x + box.width / 2, box.y + 20, { steps: 4 })
    await page.mouse.up()
    await page.getByRole('slider', { name: 'Dial' }).focus()
    await page.getByLabel('What is wrong').selectOption('out-of-discs')
    await expect(shows).toContainText('This is threading, not tension')
    for (let press = 0; press < 8; press += 1) await page.keyboard.press('ArrowRight')
    await expect(page.getByRole('img', { name: 'Underside: a nest of the top thread' })).toBeVisible()
    await page.getByRole('button', { name: 'Next moment' }).click()
    await expect(page.getByText('A loop swells', { exact: true })).toBeVisible()
    expect(await foundIn(page)).toEqual([])

    await page.getByRole('link', { name: 'Who can do what' }).click()
    await page.getByRole('button', { name: 'Sign off Bram …' }).click()
    const form = page.getByRole('form', { name: 'Sign off Bram' })
    await form.getByLabel('On which kind of machine').selectOption('computerised')
    await form.getByRole('button', { name: 'I have seen it' }).click()
    await expect(page.getByText('Bram is signed off')).toBeVisible()
    await page.getByRole('button', { name: /^Withdraw from Bram/ }).click()
    await expect(page.getByRole('button', { name: /^Withdraw from Bram/ })).toHaveCount(0)
    expect(await foundIn(page)).toEqual([])
  })

  test('read what comes back as a sentence first', async ({ page }) => {
    await page.goto('/room')
    await page.getByRole('link', { name: 'What comes back' }).click()
    await expect(page.getByRole('main')).toContainText(/Heron: a nest underneath at the start, three times/)
    await expect(page.getByRole('main')).toContainText('Teach threading with the foot up.')
    await page.getByRole('link', { name: 'month' }).click()
    await expect(page).toHaveURL(/span=month/)
    expect(await foundIn(page)).toEqual([])
  })
})
