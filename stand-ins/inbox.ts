import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { simpleParser } from 'mailparser'
import { SMTPServer } from 'smtp-server'

/** A letter that came in. */
export interface InboxLetter {
  readonly to: readonly string[]
  readonly from: string
  readonly subject: string
  readonly text: string
}

export interface Inbox {
  /** where letters are sent, smtp: */
  readonly smtp: string
  /** where they are read, http: ; `/letters` gives them as JSON, the newest first */
  readonly url: string
  readonly letters: readonly InboxLetter[]
  end(): Promise<void>
}

const LOCAL = '127.0.0.1'
/** An inbox for practice forgets the oldest. */
const MOST_LETTERS = 200

const escaped = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;')

const page = (letters: readonly InboxLetter[]): string => `<!doctype html><html lang="en"><meta charset="utf-8">
<meta name="viewport" content="width=device-width"><title>Stand-in inbox</title>
<style>body{font:18px/1.5 system-ui,sans-serif;max-width:44rem;margin:2rem auto;padding:0 1rem}pre{white-space:pre-wrap;font:inherit}</style>
<h1>Stand-in inbox</h1><p>Letters that the demo sent; none of them left this machine.</p>
${letters.length === 0 ? '<p>None yet.</p>' : ''}${letters
  .map(
    ({ to, subject, text }) =>
      `<article><h2>${escaped(subject)}</h2><p>To ${escaped(to.join(', '))}</p><pre>${escaped(text).replaceAll(/https?:\/\/\S+/g, '<a href="$&">$&</a>')}</pre></article>`,
  )
  .join('<hr>')}`

/** A stand-in for a mail server and everybody's inbox at once: it takes every letter, keeps it in memory, and passes none on. */
export async function startInbox(): Promise<Inbox> {
  const letters: InboxLetter[] = []
  const post = new SMTPServer({
    authOptional: true,
    disabledCommands: ['STARTTLS', 'AUTH'],
    logger: false,
    onData: (stream, session, done) => {
      void simpleParser(stream).then(
        ({ from, subject, text }) => {
          letters.unshift({
            to: session.envelope.rcptTo.map(({ address }) => address),
            from: from?.text ?? '',
            subject: subject ?? '',
            text: text ?? '',
          })
          letters.length = Math.min(letters.length, MOST_LETTERS)
          done()
        },
        (error: unknown) => done(error instanceof Error ? error : new Error(String(error))),
      )
    },
  })
  await new Promise<void>((resolve) => post.listen(0, LOCAL, resolve))
  const reading = createServer((request, response) => {
    const asJson = request.url === '/letters'
    response.setHeader('content-type', asJson ? 'application/json' : 'text/html; charset=utf-8')
    response.end(asJson ? JSON.stringify(letters) : page(letters))
  })
  await new Promise<void>((resolve) => reading.listen(0, LOCAL, resolve))
  return {
    smtp: `smtp://${LOCAL}:${(post.server.address() as AddressInfo).port}`,
    url: `http://${LOCAL}:${(reading.address() as AddressInfo).port}`,
    letters,
    end: async () => {
      reading.closeAllConnections()
      await new Promise((resolve) => reading.close(resolve))
      await new Promise<void>((resolve) => post.close(resolve))
    },
  }
}
