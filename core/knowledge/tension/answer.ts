/** Share of right answers from which an exercise of the trainer is done; it can be tried as often as wanted. */
export const PASS = 0.8

/** What a learner may say a swatch shows. */
export const VERDICTS = ['good', 'too-tight', 'too-loose', 'threading', 'needle', 'cloth'] as const
export type Verdict = (typeof VERDICTS)[number]
export const VERDICT_WORDS: Readonly<Record<Verdict, string>> = {
  good: 'It is good',
  'too-tight': 'The top thread pulls too hard',
  'too-loose': 'The top thread pulls too little',
  threading: 'It is threading, not tension',
  needle: 'It is the needle or the thread’s way through it',
  cloth: 'Balanced, but wrong for the cloth',
}

/** What a learner may do next. */
export const MOVES = [
  'rethread',
  'change-needle',
  'check-bobbin',
  'match-thread',
  'clean',
  'dial-down',
  'dial-up',
  'done',
] as const
export type Move = (typeof MOVES)[number]
export const MOVE_WORDS: Readonly<Record<Move, string>> = {
  rethread: 'Thread again, foot up',
  'change-needle': 'Put in a new needle',
  'check-bobbin': 'Bobbin out, look, and in again',
  'match-thread': 'The same good thread above and below',
  clean: 'Lint out',
  'dial-down': 'Dial one number down',
  'dial-up': 'Dial one number up',
  done: 'Sew the project',
}

/** What somebody may be shown in the trainer, and what they may take it for. */
export const CHANGES = ['dial-up', 'dial-down', 'rethread', 'change-needle'] as const
/** What can be done between two swatches. */
export type Change = (typeof CHANGES)[number]
export const ANSWERS = [...VERDICTS, ...CHANGES] as const
export type Answer = (typeof ANSWERS)[number]

/** One answer as it is written down: what was shown, and what it was taken for. */
export interface Answered {
  readonly shown: Answer
  readonly said: Answer
}

const CHANGE_WORDS: Readonly<Record<Change, string>> = {
  'dial-up': 'The dial was turned up',
  'dial-down': 'The dial was turned down',
  rethread: 'It was threaded again, foot up',
  'change-needle': 'A new needle was put in',
}
const isChange = (answer: Answer): answer is Change => (CHANGES as readonly Answer[]).includes(answer)

/** An answer as a button says it. */
export const answerWords = (answer: Answer): string => (isChange(answer) ? CHANGE_WORDS[answer] : VERDICT_WORDS[answer])

/** An answer as the thing that was seen, in a sentence about a person. */
export const SEEN_WORDS: Readonly<Record<Answer, string>> = {
  good: 'a good seam',
  'too-tight': 'a top thread that pulls too hard',
  'too-loose': 'a top thread that pulls too little',
  threading: 'bad threading',
  needle: 'a bad needle',
  cloth: 'a setting that is wrong for the cloth',
  'dial-up': 'a dial turned up',
  'dial-down': 'a dial turned down',
  rethread: 'a machine threaded again',
  'change-needle': 'a new needle',
}
