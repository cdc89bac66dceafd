import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { startInbox, type Inbox } from '@/stand-ins/inbox'
import { ofProcess } from './of-process'

let inbox: Inbox
const letter = { subject: 'x', text: 'y' }
// The transport is made once in the life of a process.
const fresh = () => {
  delete ofProcess<{ mailServer: unknown }>().mailServer
  return import('./mail')
}
beforeEach(async () => {
  inbox = await startInbox()
  vi.stubEnv('ORTHODEX_SMTP', inbox.smtp)
  vi.stubEnv('ORTHODEX_MAIL_FROM', 'Room <room@room.example>')
})
afterEach(async () => {
  vi.unstubAllEnvs()
  await inbox.end()
})

it('sends a letter to the mail server that the environment names', async () => {
  const { sendLetter, mails } = await fresh()
  expect(mails()).toBe(true)
  await sendLetter('ida@room.example', letter)
  expect(inbox.letters).toMatchObject([{ to: ['ida@room.example'], subject: 'x' }])
})

it('says that nothing was sent while the mail server is away', async () => {
  vi.stubEnv('ORTHODEX_SMTP', 'smtp://127.0.0.1:1')
  const { sendLetter, mustReachMail } = await fresh()
  await expect(mustReachMail()).rejects.toMatchObject({ status: 503, code: 'mail-away' })
  await expect(sendLetter('ida@room.example', letter)).rejects.toMatchObject({ status: 503 })
})

it('says what else to do where no mail is sent at all', async () => {
  vi.stubEnv('ORTHODEX_SMTP', '')
  const { sendLetter, mails } = await fresh()
  expect(mails()).toBe(false)
  await expect(Promise.resolve().then(() => sendLetter('ida@room.example', letter))).rejects.toMatchObject({
    code: 'no-mail',
  })
})
