/** Questions of the trainer; the order of options is the order shown. */
export interface DrillQuestion {
  readonly id: string
  readonly ask: string
  readonly options: readonly string[]
  /** index into the options */
  readonly right: number
  /** said after an answer, right or not */
  readonly because: string
  /** which drawing belongs to it, if any */
  readonly picture?: 'needle' | 'bobbin-P' | 'bobbin-9' | 'discs' | 'spool' | 'take-up' | 'hand-wheel'
}

export interface Drill {
  readonly id: string
  readonly title: string
  readonly questions: readonly DrillQuestion[]
}

const q = (
  id: string,
  ask: string,
  options: readonly string[],
  right: number,
  because: string,
  picture?: DrillQuestion['picture'],
): DrillQuestion => ({ id, ask, options, right, because, ...(picture && { picture }) })

/** Short drills of what hands have to know. Source: common practice. */
export const DRILLS: readonly Drill[] = [
  {
    id: 'needle-parts',
    title: 'Parts of a needle, and which way round',
    questions: [
      q(
        'groove',
        'Where does the long groove belong?',
        ['To the side the thread comes from', 'To the side of the hook'],
        0,
        'The thread lies in the long groove on its way down, so the groove faces where the thread comes from.',
        'needle',
      ),
      q(
        'scarf',
        'What is the scarf for?',
        ['It guides the thread', 'It lets the hook pass close and catch the loop', 'It makes the needle lighter'],
        1,
        'The scarf is the scoop behind the eye; there the hook’s tip catches the loop.',
        'needle',
      ),
      q(
        'stop',
        'How far up does a needle go?',
        ['Until it stops', 'Until it is level with the foot', 'As far as feels right'],
        0,
        'Up until it stops: too low, it strikes the case.',
      ),
      q(
        'reversed',
        'It went in the wrong way round, and the machine said nothing. What will you see?',
        ['A nest underneath', 'Every stitch skipped', 'A balanced seam'],
        1,
        'Reversed, the hook passes the wrong side and finds no loop.',
      ),
      q(
        'number',
        'On 80/12, what is 80?',
        ['Eighty hundredths of a millimetre of blade', 'The size of the eye', 'The length in millimetres'],
        0,
        'The first number is the blade’s diameter in hundredths of a millimetre, the second an older scale.',
      ),
    ],
  },
  {
    id: 'bobbin',
    title: 'Bobbins: P or 9, and how they are wound',
    questions: [
      q(
        'p',
        'This bobbin hangs like a …',
        ['P', '9'],
        0,
        'Its thread hangs on the left, as the stem of a P does.',
        'bobbin-P',
      ),
      q('nine', 'And this one?', ['P', '9'], 1, 'Its thread hangs on the right, as the tail of a 9 does.', 'bobbin-9'),
      q(
        'which',
        'Which way does the bobbin go into the machine in front of you?',
        ['Always like a P', 'As that machine’s card says', 'Either way'],
        1,
        'Drop-ins are nearly always P, front-loaders vary: the card decides.',
      ),
      q(
        'soft',
        'You can push loops of the wound thread about with a nail. What now?',
        ['Sew slowly', 'Wind it again', 'Turn the dial down'],
        1,
        'A good bobbin is firm and even like a spool; a soft one is wound again.',
      ),
      q(
        'tail',
        'The little tail sticking out of the full bobbin?',
        ['Trim it flush', 'Leave it', 'Tuck it under'],
        0,
        'A tail that sticks out catches: trim it flush.',
      ),
    ],
  },
  {
    id: 'discs',
    title: 'Discs, foot and threading',
    questions: [
      q(
        'up',
        'With the foot up the discs are …',
        ['open', 'closed'],
        0,
        'Foot up opens them, so the thread can slip in between.',
        'discs',
      ),
      q(
        'thread',
        'So you thread with the foot …',
        ['up', 'down'],
        0,
        'With the foot down the thread lies outside the discs, and loops fill the underside at any dial.',
        'discs',
      ),
      q(
        'tug',
        'The tug test with the foot down should feel …',
        ['loose', 'firm', 'as with the foot up'],
        1,
        'Loose with the foot up, firm with it down; loose both times means thread again.',
      ),
      q(
        'pull',
        'Old thread comes out …',
        ['backwards through the discs', 'forward through the needle, cut at the spool'],
        1,
        'Backwards it drags lint into the discs.',
      ),
      q(
        'lever',
        'How do you know the thread is really in the take-up lever?',
        ['Look from the side', 'Listen', 'Sew and see'],
        0,
        'From the front it can look threaded and lie beside it.',
        'take-up',
      ),
    ],
  },
  {
    id: 'start',
    title: 'Starting and ending a seam',
    questions: [
      q(
        'raise',
        'Raising the bobbin’s thread: hold the top thread and …',
        ['turn the wheel once', 'step on the pedal', 'lift the plate'],
        0,
        'One turn of the hand wheel, and the loop comes up through the plate.',
        'hand-wheel',
      ),
      q(
        'tails',
        'Where do both tails lie?',
        ['To the front', 'To the back, under the foot', 'Cut short'],
        1,
        '15 to 20 cm to the back, under the foot, and held for the first stitches.',
      ),
      q(
        'hold',
        'What comes of tails that nobody holds?',
        ['A nest underneath at the start', 'Skipped stitches', 'A bent needle'],
        0,
        'The first stitches pull the loose ends down into a nest.',
      ),
      q(
        'lock',
        'A straight seam is locked by …',
        ['three stitches forward and three back', 'a knot in the bobbin', 'sewing faster'],
        0,
        'Three and three hold; tails cut too short come undone.',
      ),
      q(
        'guide',
        'To sew a straight line you watch …',
        ['the needle', 'the guide beside the foot'],
        1,
        'The needle only goes up and down; the guide tells where the cloth is.',
      ),
    ],
  },
  {
    id: 'tension',
    title: 'What tension is',
    questions: [
      q(
        'what',
        'Tension is …',
        ['how tightly a thread is held as it runs', 'how fast the machine sews', 'how thick the thread is'],
        0,
        'Both threads are held; the lock goes to whichever side pulls harder.',
      ),
      q(
        'good',
        'A good straight stitch shows …',
        ['each face its own colour', 'the bobbin’s colour on both', 'loops underneath'],
        0,
        'The lock lies inside the cloth, so each face shows its own.',
      ),
      q(
        'zigzag',
        'Zigzag shows small dots of the top thread underneath. That is …',
        ['too loose', 'right', 'threading'],
        1,
        'For zigzag and decorative stitches the pretty side wins.',
      ),
      q(
        'order',
        'The seam is wrong. What is turned last?',
        ['The dial', 'The needle', 'The threading'],
        0,
        'Thread again, needle, bobbin, thread, lint; only then the dial.',
      ),
      q(
        'mark',
        'Somebody turned the dial by accident. What do you do?',
        ['Set it back to its mark', 'Call a technician', 'Turn it until it looks right'],
        0,
        'Putting back is not adjusting; nothing is broken.',
      ),
      q(
        'more',
        'More layers at the same setting mostly …',
        ['hold', 'fail'],
        0,
        'A thicker stack hides more; set on two, test once on the thickest crossing.',
      ),
      q(
        'length',
        'A longer stitch makes a seam in cloth …',
        ['stronger', 'weaker'],
        1,
        'Shorter holds better, until it perforates or puckers.',
      ),
    ],
  },
]
