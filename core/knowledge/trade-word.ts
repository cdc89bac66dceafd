/** A word of the trade, as it is said to somebody who has never sewn. Source: common practice. */
export interface TradeWord {
  /** as it stands in a list */
  readonly word: string
  /** other ways it is written, in small letters; what is here is found in sentences */
  readonly also?: readonly string[]
  readonly means: string
}

/** The words that are explained wherever a learner meets them; in the order of the alphabet. */
export const TRADE_WORDS: readonly TradeWord[] = [
  {
    word: 'balanced',
    also: ['in balance'],
    means: 'Both threads meet inside the cloth, so each face shows only its own.',
  },
  {
    word: 'ballpoint',
    means: 'A needle with a rounded tip that slips between the loops of a knit instead of cutting them.',
  },
  {
    word: 'baseline',
    means: 'Where this machine’s dials stand at the start of a day, so that everybody finds it the same.',
  },
  {
    word: 'bobbin',
    also: ['bobbins'],
    means: 'The small spool of thread below the plate. Its thread makes the under face of the seam.',
  },
  { word: 'bobbin case', means: 'What the bobbin sits in. A spring on it holds the lower thread back a little.' },
  { word: 'bonded', means: 'A strong thread with a coat that keeps its strands together, for leather and canvas.' },
  { word: 'changeover', means: 'What is changed at a machine between two people: needle, thread, foot, dial.' },
  {
    word: 'clearance',
    means: 'How easily the thread passes the needle’s eye. Too tight and it frays, too loose and the stitch wanders.',
  },
  {
    word: 'crossing',
    also: ['crossings'],
    means: 'Where seams meet and the cloth is thickest. Sew it slowly, or turn the wheel by hand.',
  },
  { word: 'edge stitch', also: ['edge-stitch'], means: 'A line of straight stitches a hair from an edge.' },
  { word: 'feed dogs', means: 'The little toothed bars in the plate that move the cloth along, stitch by stitch.' },
  {
    word: 'free motion',
    also: ['free-motion'],
    means: 'Sewing with the feed dogs lowered: your hands move the cloth.',
  },
  { word: 'hand wheel', means: 'The wheel at the right end. Turning it moves the needle by hand.' },
  {
    word: 'jeans point',
    also: ['jeans needle'],
    means: 'A stiff, sharp needle that goes through dense layers without bending.',
  },
  {
    word: 'kit',
    means: 'What one project wants of one machine: needle, thread, bobbin, foot, stitch and where the dial starts.',
  },
  {
    word: 'leader',
    also: ['scrap leader'],
    means: 'A scrap that is sewn first, so that the machine is not pulling at the first threads of your cloth.',
  },
  {
    word: 'lint',
    means: 'Fluff from cloth and thread. Packed under the plate it lifts stitches and stops the thread.',
  },
  { word: 'loops', means: 'Slack thread hanging on one face. On the under face it comes from the top thread.' },
  { word: 'microtex', means: 'A very slim, sharp needle for fine and tightly woven cloth.' },
  { word: 'needle plate', means: 'The metal plate with the hole the needle goes through.' },
  {
    word: 'nest',
    also: ['thread nest'],
    means: 'A tangle of top thread under the cloth. Almost always the top thread is not between the discs.',
  },
  {
    word: 'presser foot',
    also: ['foot up', 'foot down'],
    means: 'What holds the cloth down. While it is up, the discs are open and hold no thread.',
  },
  { word: 'pucker', also: ['puckered', 'puckers'], means: 'The seam draws the cloth together in small waves.' },
  {
    word: 'race',
    means:
      'The ring in which the hook runs round the bobbin. It wants a drop of oil now and then, where the manual says so.',
  },
  { word: 'red tag', means: 'Nobody sews on this machine until somebody who teaches takes the tag off.' },
  { word: 'ridge', means: 'The cloth rises between two lines of stitching like a tunnel.' },
  { word: 'shank', means: 'The thick upper end of a needle. Its flat side has to face the right way.' },
  { word: 'shim', means: 'Something flat under the back of the foot, so that it stands level before a thick place.' },
  {
    word: 'shredding',
    also: ['shreds'],
    means: 'The thread frays above the eye: a worn needle, too small an eye, or old thread.',
  },
  {
    word: 'skipped',
    also: ['skipped stitches', 'skips'],
    means: 'A stitch that did not form, so a long one lies there. The needle first, never the dial.',
  },
  { word: 'spool pin', means: 'The pin that the spool of top thread stands or lies on.' },
  { word: 'stabiliser', means: 'Paper or film under or over the cloth that keeps it flat while it is sewn.' },
  { word: 'stack', means: 'All layers that lie under the foot together.' },
  {
    word: 'stay-stitch',
    also: ['stay stitch'],
    means: 'A line sewn inside the allowance beforehand, so that the edge does not stretch.',
  },
  {
    word: 'stretch point',
    also: ['stretch needle'],
    means: 'A needle shaped so that elastic cloth does not make it skip.',
  },
  {
    word: 'swatch',
    also: ['swatches', 'test swatch'],
    means: 'A few centimetres sewn on a scrap of the same cloth, to look at both faces before the real seam.',
  },
  {
    word: 'take-up lever',
    also: ['take-up'],
    means: 'The hook at the front that goes up and down and pulls each stitch tight. Top thread must be in it.',
  },
  { word: 'tension dial', also: ['dial'], means: 'It sets how hard the discs hold the top thread: higher is tighter.' },
  {
    word: 'tension discs',
    also: ['discs'],
    means: 'Two plates that hold the top thread back. Thread with the foot up, so that it goes between them.',
  },
  { word: 'tex', means: 'How heavy a thread is: grams of a thousand metres. A higher number is a thicker thread.' },
  { word: 'topstitch', also: ['topstitching'], means: 'A line sewn to be seen on the right side.' },
  { word: 'twin needle', also: ['twin'], means: 'Two needles on one shank: two lines on top, a zigzag below.' },
  { word: 'universal', means: 'A needle with a slightly rounded tip that does for most woven cloth.' },
  {
    word: 'walking foot',
    also: ['even feed'],
    means: 'A foot with teeth of its own: it carries the upper layer along as the feed dogs carry the lower.',
  },
  { word: 'wing needle', means: 'A needle with two blades that press open a row of holes for show.' },
  { word: 'wobble', also: ['wobbles'], means: 'The line of stitches wanders. Look at the guide, not at the needle.' },
  { word: 'zigzag', means: 'A stitch that swings from side to side. The foot and the plate need a wide opening.' },
]
