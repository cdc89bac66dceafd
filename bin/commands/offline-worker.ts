import { writeOfflineWorker } from '../build/offline-worker'

await writeOfflineWorker('public/offline.js')
