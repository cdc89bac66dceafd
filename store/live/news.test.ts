import { afterAll, beforeAll, expect, it } from 'vitest'
import { freshStore } from '../testing/store'
import { listenForNews } from './news'

let url: string
let end: () => Promise<void>
beforeAll(async () => {
  ;({ url, end } = await freshStore())
})
afterAll(() => end())

it('whoever watches when this process stops is told, and whoever begins to watch after that is told at once', async () => {
  const news = listenForNews(url)
  const told: string[] = []
  news.onClose(() => told.push('watched before'))
  const left = news.onClose(() => told.push('had gone'))
  left()
  await news.close()
  expect(told).toEqual(['watched before'])
  news.onClose(() => told.push('came after'))
  await Promise.resolve()
  expect(told).toEqual(['watched before', 'came after'])
})
