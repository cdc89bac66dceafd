import 'server-only'
import { listenForNews, type News } from '@/store/live/news'
import { ofProcess } from './of-process'
import { settings } from './settings'
import { journal } from './journal'

const held = ofProcess<{ news: News }>()

/** The one listener of this process, made when somebody first watches. */
export const theNews = (): News =>
  (held.news ??= listenForNews(settings.listenUrl, (error) =>
    journal.warn(error, 'the line that news come by was lost'),
  ))
