/** Where each question is asked, with `{…}` where a name stands; apart from the schemas, which no page needs to have. */
export const ASK_PATHS = {
  'read-kit-sheet': '/api/kits/sheet',
  'read-machine-sheet': '/api/machines/sheet',
  'read-shelf-sheet': '/api/stores/sheet',
  'line-facts': '/api/line',
  'kept-pages': '/api/kept',
  'read-device': '/api/devices/{device}',
  'ready-planner': '/api/sessions/{session}/plan',
  'plan-session': '/api/sessions/{session}/plan',
  'plan-course': '/api/courses/{course}/plan',
  'practice-room': '/api/practice-room',
  'mail-code': '/api/letters',
  told: '/api/told',
} as const

export type AskName = keyof typeof ASK_PATHS
