/** One question that an instructor asks aloud before a sign-off, and what a good answer has in it. */
export interface SpokenQuestion {
  readonly ask: string
  readonly listenFor: string
}

/** By what somebody is signed off for. Source: common practice. */
export const SPOKEN_QUESTIONS = {
  tension: [
    {
      ask: 'What is thread tension?',
      listenFor: 'How hard each thread is held as it runs. The knot goes to whichever pulls harder.',
    },
    {
      ask: 'What does a good stitch look like, on top and turned over?',
      listenFor: 'Each face shows its own colour; the threads lock inside the cloth.',
    },
    {
      ask: 'What do the discs do with the foot up, and with it down?',
      listenFor: 'Up they are open, so that is how it is threaded; down they close and hold the thread.',
    },
    {
      ask: 'Show me the dial, and its normal mark on this machine.',
      listenFor: 'Points to both; the mark is this machine’s own.',
    },
    {
      ask: 'The seam is wrong. What do you do before the dial?',
      listenFor: 'Thread again with the foot up, new needle, bobbin out and in, the same thread twice, lint out.',
    },
  ],
  'needle-change': [
    {
      ask: 'What comes before your fingers go near the needle?',
      listenFor: 'The machine is off, the foot off the pedal, and the needle up by the hand wheel.',
    },
    {
      ask: 'Which way round does it go, and how far up?',
      listenFor: 'As this machine’s card shows it, and up until it stops.',
    },
    {
      ask: 'Where does the old needle go, and what if a piece is missing?',
      listenFor: 'Into the sharps box. Nobody sews before every piece is found; otherwise staff come.',
    },
    {
      ask: 'When is a needle due?',
      listenFor: 'By its hours, at once when it ticks, skips or snags, and for another kind of cloth.',
    },
  ],
  threading: [
    {
      ask: 'Is the foot up or down while you thread, and why?',
      listenFor: 'Up: the discs are open, and the thread can slip between them.',
    },
    {
      ask: 'How do you know that the thread lies in the take-up lever?',
      listenFor: 'Looks from the side, and feels the tug.',
    },
    {
      ask: 'Which way does this machine’s bobbin go in, and how do you test it?',
      listenFor: 'As its card says; the thread draws smoothly, with light drag.',
    },
    {
      ask: 'Where are both tails before the first stitch?',
      listenFor: 'To the back, under the foot, as long as a hand, and held for the first stitches.',
    },
  ],
} as const satisfies Readonly<Record<string, readonly SpokenQuestion[]>>
