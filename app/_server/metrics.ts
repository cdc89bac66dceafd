import 'server-only'
import { collectDefaultMetrics, Counter, Gauge, Histogram, Registry } from 'prom-client'
import type PQueue from 'p-queue'
import type { News } from '@/store/live/news'
import { ofProcess } from './of-process'

interface Metrics {
  readonly registry: Registry
  readonly answers: Histogram<'door' | 'status'>
  readonly writes: Counter<'command'>
}

const held = ofProcess<{ metrics: Metrics; solvers: PQueue; news: News }>()

/** Of one process, made at its first answer: no name of anybody or anything of a venue stands in it. */
function metrics(): Metrics {
  if (held.metrics) return held.metrics
  const registry = new Registry()
  collectDefaultMetrics({ register: registry })
  const registers = [registry]
  held.metrics = {
    registry,
    answers: new Histogram({
      name: 'orthodex_answer_seconds',
      help: 'Time until a question over HTTP was answered, by its door and status',
      labelNames: ['door', 'status'],
      buckets: [0.005, 0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 5, 10],
      registers,
    }),
    writes: new Counter({
      name: 'orthodex_writes_total',
      help: 'Commands that landed, by name; one sent twice counts twice',
      labelNames: ['command'],
      registers,
    }),
  }
  new Gauge({
    name: 'orthodex_plans',
    help: 'Plans that are being made or wait',
    labelNames: ['state'],
    registers,
    collect() {
      this.set({ state: 'running' }, held.solvers?.pending ?? 0)
      this.set({ state: 'waiting' }, held.solvers?.size ?? 0)
    },
  })
  new Gauge({
    name: 'orthodex_streams',
    help: 'Screens that are told of news as it comes',
    registers,
    collect() {
      this.set(held.news?.watching() ?? 0)
    },
  })
  return held.metrics
}

/** The first two steps of an address: further ones are ids and secrets. */
const doorOf = (url: string): string => new URL(url).pathname.split('/').slice(0, 3).join('/')

export function countAnswer(request: Request, status: number, startedMs: number): void {
  metrics().answers.observe(
    { door: doorOf(request.url), status: String(status) },
    (performance.now() - startedMs) / 1000,
  )
}
export const countWrite = (command: string): void => metrics().writes.inc({ command })

/** Everything that is counted, in the text format that collectors of metrics read. */
export async function metricsText(): Promise<{ readonly type: string; readonly text: string }> {
  const { registry } = metrics()
  return { type: registry.contentType, text: await registry.metrics() }
}
