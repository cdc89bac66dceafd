import { createTransport } from 'nodemailer'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { codeLetter } from '@/core/people/letters'
import { startInbox, type Inbox } from './inbox'

let inbox: Inbox
beforeAll(async () => {
  inbox = await startInbox()
})
afterAll(() => inbox.end())

it('takes a letter as a mail server would, and shows it to whoever looks, as it was written', async () => {
  const link = 'https://room.example/join?code=abcd-efgh-jkmn'
  const letter = codeLetter('join', { name: 'Ida <b>', venue: 'The Loft', link })
  const transport = createTransport(inbox.smtp)
  await transport.sendMail({ from: 'Loft <loft@room.example>', to: 'ida@room.example', ...letter })
  transport.close()
  expect(inbox.letters).toMatchObject([{ to: ['ida@room.example'], subject: 'Come in: The Loft' }])
  expect(inbox.letters[0]!.text).toContain(link)
  const page = await (await fetch(inbox.url)).text()
  expect(page).toContain(`<a href="${link}">`)
  expect(page).toContain('Ida &lt;b&gt;')
  expect(await (await fetch(`${inbox.url}/letters`)).json()).toHaveLength(1)
})

it('tells somebody who forgot a password that nothing changes unless they want it', () => {
  const { text } = codeLetter('password', { name: 'Ida', venue: 'The Loft', link: 'https://x' })
  expect(text).toContain('your password stays as it is')
  expect(text).toContain('works once, for 24 hours')
})
