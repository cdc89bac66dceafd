import type { StitchFault } from '../stitch/lockstitch'

/** One moment of the tension lesson: what is shown, what the class is asked, and what they should find. */
export interface LessonMoment {
  readonly id: string
  readonly title: string
  readonly ask: string
  readonly answer: string
  /** how it was sewn, beside an ordinary seam at the dial's normal mark */
  readonly sewn: {
    readonly kind: 'straight' | 'zigzag' | 'twin'
    /** numbers of the dial up or down from its normal mark */
    readonly turned?: number
    readonly fault?: StitchFault
    /** thread above, tex; absent: the same as below */
    readonly topTex?: number
    readonly bobbinSpring?: number
    /** what has become of the seam or its cloth besides */
    readonly flaw?: 'gape' | 'run'
    readonly cloth?: 'knit'
  }
}

/** The lesson in the order in which it is taught: first what is right, then each thing that goes wrong. Source: common practice. */
export const LESSON: readonly LessonMoment[] = [
  {
    id: 'good',
    title: 'As it should be',
    ask: 'Which colour do you see on top, and which when it is turned over?',
    answer: 'Each face shows its own thread alone: the two lock inside the cloth, where nobody sees it.',
    sewn: { kind: 'straight' },
  },
  {
    id: 'loose',
    title: 'Top too loose',
    ask: 'Something of the wrong colour shows. On which face, and which thread pulls too little?',
    answer: 'The top thread shows underneath: it is held too loosely, so the bobbin draws it down. More tension above.',
    sewn: { kind: 'straight', turned: -2 },
  },
  {
    id: 'tight',
    title: 'Top too tight',
    ask: 'And now? Which way would you turn the dial?',
    answer: 'The bobbin’s thread comes up on top: the top thread pulls too hard. Less tension above.',
    sewn: { kind: 'straight', turned: 2.5 },
  },
  {
    id: 'slack',
    title: 'Both too loose, pulled open',
    ask: 'Both faces showed their own colour. Why does it come apart like this when it is pulled?',
    answer:
      'Balance is not everything: both threads are slack, so the seam gapes. Staff look at the bobbin’s spring first; then the dial goes back to its mark.',
    sewn: { kind: 'straight', turned: -2.6, bobbinSpring: 0.4, flaw: 'gape' },
  },
  {
    id: 'discs',
    title: 'Out of the discs',
    ask: 'This is a mess. Would you turn the dial?',
    answer:
      'Not the dial: a nest underneath means that nothing holds the top thread. Lift the foot, thread it anew, and leave the dial where it is.',
    sewn: { kind: 'straight', fault: 'out-of-discs' },
  },
  {
    id: 'thread',
    title: 'Two different threads',
    ask: 'The dial stands at its normal mark. Why do dots show all the same?',
    answer: 'The thread above is much thicker than the one below, and drags more. First the same thread on both sides.',
    sewn: { kind: 'straight', topTex: 60 },
  },
  {
    id: 'needle',
    title: 'A blunt needle',
    ask: 'Look along the line. What is missing, and does either face show the wrong colour?',
    answer: 'Stitches are missing, and both faces show their own colour: it is the needle, and never the dial.',
    sewn: { kind: 'straight', fault: 'worn-needle' },
  },
  {
    id: 'run',
    title: 'A sharp point in a knit',
    ask: 'The seam itself is sewn well enough. What has the needle done to the cloth?',
    answer:
      'It has cut a loop, and that column comes undone row by row. A ball point slips between the loops and cuts none.',
    sewn: { kind: 'straight', flaw: 'run', cloth: 'knit' },
  },
  {
    id: 'zigzag',
    title: 'A good zigzag',
    ask: 'Turned over, small dots of the top thread stand at the points. Is that wrong?',
    answer: 'It is right so: a zigzag lies flatter when the top thread is a little looser.',
    sewn: { kind: 'zigzag', turned: -1 },
  },
  {
    id: 'zigzag-tight',
    title: 'A zigzag that is too tight',
    ask: 'What do you see on top at the points, and what will the cloth do between them?',
    answer: 'The bobbin’s thread is pulled up at the points, and the cloth is drawn into a tunnel. Less tension above.',
    sewn: { kind: 'zigzag', turned: 2.5 },
  },
  {
    id: 'twin',
    title: 'A twin needle',
    ask: 'Two lines on top. How many threads are there underneath?',
    answer: 'One: the bobbin’s thread goes to and fro between both lines, which lets the seam stretch.',
    sewn: { kind: 'twin', turned: -0.5 },
  },
  {
    id: 'twin-ridge',
    title: 'A twin needle that pulls up a ridge',
    ask: 'The cloth stands up between the lines. Which thread pulls them together?',
    answer: 'The bobbin’s, held too hard. Support the cloth from behind, and let staff look at the bobbin’s spring.',
    sewn: { kind: 'twin', bobbinSpring: 2.2 },
  },
]
