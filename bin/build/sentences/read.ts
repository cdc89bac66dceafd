import ts from 'typescript'

/** Which texts of the code people read, and which are its own. */

/** Attributes and properties whose text is for the machine. */
export const UNREAD =
  /^(class(Name)?|d|id|key|for|htmlFor|href|src|rel|role|type|transform|viewBox|points|fill|stroke\w*|style|sizes|accept|media|pattern|autoComplete|inputMode|method|target|preserveAspectRatio|aria-(labelledby|describedby|controls|live|hidden|current|owns)|content-\w+|cache-control|www-authenticate|kind)$/
/** Properties and attributes in which also one small word is read by people. */
const READ = /^(words?|title|label|placeholder|hint|button|alt|aria-(label|description|valuetext)|one|many|means)$/
/** Calls whose texts are for the machine. */
const UNREAD_CALL =
  /(^|\.)(get|set|has|append|delete|query|startsWith|endsWith|includes|indexOf|split|select\w*|where\w*|orderBy|groupBy|on|onRef|(left|inner)Join\w*|addColumn|closest|querySelector\w*|matchMedia|createHash|createHmac|resolve|import|require|may|describe|update|digest|fetch|setAttribute|getAttribute|as|ref|selectFrom|updateTable|insertInto|deleteFrom|addEventListener|removeEventListener|dispatchEvent|RegExp|header|is|eb|\w*[sS]ql|ofShank|roundShank)$/

export const LETTERS = /\p{L}{2}/u
const COLUMN = /^[\w.*]+ (as|asc|desc)( [\w]+)?$/
const PATH_OF_DRAWING = /^(?=.*\d)[MmLlHhVvCcSsQqTtAaZz\d\s.,-]+$/
const SELECTOR = /^[@#.[:]\S|[>=;]\s*\w+\(|[>=]|\{(?!\w+\})|^[a-z]+\(|^(text|application|image)\/|^\w+-src /
const STYLE = /^!?(-?[a-z]+[a-z\d]*!?([:-][\w./[\]%!&>()#,*:-]+)*)$/
const SURELY_STYLE =
  /(^|[\s:])-?(p[xytblr]?|m[xytblr]?|w|h|min|max|text|bg|border(-[lrtbxy])?|flex|grid|gap|rounded|shadow|link|btn|badge|alert|font|items|justify|inline|outline|opacity|sm|md|lg|xl|print|z|col|row|self|leading|tracking|underline|line|input|select|checkbox|toggle|card|cursor|hover|fill|stroke|size|space|order|overflow|whitespace)-(\[|\w)/

const looksLikeStyle = (text: string): boolean =>
  SURELY_STYLE.test(text) &&
  text
    .trim()
    .split(/\s+/)
    .every((token) => STYLE.test(token) || token.includes('['))

/** Text that no person reads: a style, a column, a drawing's path, a selector. */
const isCode = (text: string): boolean =>
  /^[A-Z]+( \d+)?$|^distinct |^(is not|not in)$|^(data|retry): /.test(text) ||
  looksLikeStyle(text) ||
  COLUMN.test(text) ||
  PATH_OF_DRAWING.test(text) ||
  SELECTOR.test(text)

/** What a text is told to be, by the attribute or property it stands in. */
const nameOf = (node: ts.Node): string | undefined => {
  const { parent } = node
  if (ts.isJsxAttribute(parent)) return parent.name.getText()
  if (ts.isPropertyAssignment(parent) && parent.initializer === node)
    return parent.name.getText().replaceAll(/['"]/g, '')
  if (ts.isConditionalExpression(parent) || ts.isParenthesizedExpression(parent) || ts.isJsxExpression(parent))
    return nameOf(parent)
  if (ts.isBinaryExpression(parent) && /^(\|\||&&|\?\?|\+)$/.test(parent.operatorToken.getText())) return nameOf(parent)
  if (ts.isArrayLiteralExpression(parent)) return nameOf(parent)
  return undefined
}

/** Where a text is compared, looked up or named it is the code's own, whatever it says. */
function isHandle(node: ts.Node): boolean {
  const { parent } = node
  // One of two that are chosen from is what the choice is.
  if (ts.isConditionalExpression(parent) && parent.condition !== node) return isHandle(parent)
  if (ts.isParenthesizedExpression(parent)) return isHandle(parent)
  // What is compared with a sentence is that sentence.
  if (ts.isBinaryExpression(parent) && ts.isStringLiteral(node) && node.text.trim().includes(' ')) return false
  if (ts.isBinaryExpression(parent)) return /^[!=]==?$|^(in|<|>)$/.test(parent.operatorToken.getText())
  if (ts.isCaseClause(parent) || ts.isElementAccessExpression(parent) || ts.isExpressionStatement(parent)) return true
  if (ts.isPropertyAssignment(parent)) return parent.name === node
  if (ts.isCallExpression(parent)) return UNREAD_CALL.test(parent.expression.getText())
  return ts.isExternalModuleReference(parent) || ts.isPropertySignature(parent) || ts.isEnumMember(parent)
}

const ONE_WORD = /^\p{Lu}\p{Ll}+(-\p{Ll}+)?[.,:!?…]?$/u

/** The second of two is what a choice is called, the first what it is. */
function isChoiceWords(node: ts.Node): boolean {
  const { parent } = node
  if (!ts.isArrayLiteralExpression(parent) || parent.elements.length !== 2 || parent.elements[1] !== node) return false
  return ts.isArrayLiteralExpression(parent.parent) && /^(app|ui)\//.test(node.getSourceFile().fileName)
}

/** A table of words by the code's names says so in its name. */
function isOfWords({ parent }: ts.Node): boolean {
  const table = ts.isPropertyAssignment(parent) ? parent.parent : parent
  let holder: ts.Node = table.parent
  while (ts.isAsExpression(holder) || ts.isSatisfiesExpression(holder)) holder = holder.parent
  return (
    (ts.isObjectLiteralExpression(table) || ts.isArrayLiteralExpression(table)) &&
    ts.isVariableDeclaration(holder) &&
    /(WORDS?|SAID|Words)$/.test(holder.name.getText())
  )
}

/** What stands between the things of a list: " and ". */
const isBetween = ({ parent }: ts.Node): boolean =>
  ts.isCallExpression(parent) && /\.join$/.test(parent.expression.getText())

/** One of two small words that a sentence chooses from, or that stands in a page. */
function isChosenWord(node: ts.Node): boolean {
  const { parent } = node
  if (ts.isConditionalExpression(parent) && parent.condition !== node) {
    if (isChosenWord(parent)) return true
    const at = parent.parent
    if (ts.isTemplateSpan(at)) return isReadTemplate(at.parent)
    return ts.isJsxExpression(at) && !ts.isJsxAttribute(at.parent)
  }
  return false
}

/** Whether people read what this template makes. A key, an address or a file's name has no gap in it. */
export function isReadTemplate(node: ts.TemplateExpression): boolean {
  const texts = textsOf(node)
  const name = nameOf(node)
  if (!texts.some((text) => LETTERS.test(text)) || isHandle(node) || (name !== undefined && UNREAD.test(name)))
    return false
  const whole = texts.join('x')
  return texts.some((text) => text.includes(' ')) && !isCode(whole.trim()) && !SURELY_STYLE.test(whole)
}

/** What stands between the parts of a template that are worked out. */
export const textsOf = ({ head, templateSpans }: ts.TemplateExpression): string[] => [
  head.text,
  ...templateSpans.map(({ literal }) => literal.text),
]

/** Whether people read this text. */
export function isRead(node: ts.Node, text: string): boolean {
  if (!LETTERS.test(text) || isHandle(node)) return false
  const name = nameOf(node)
  if (name !== undefined && UNREAD.test(name)) return false
  if (isBetween(node)) return true
  if (text.trim().includes(' ')) return !isCode(text)
  if (ONE_WORD.test(text.trim()))
    return !/^(Content|Retry|Bearer|Enter|Escape|Tab|Arrow|Home|End|Delete|Backspace)/.test(text)
  const told = (name !== undefined && READ.test(name)) || isChoiceWords(node) || isOfWords(node) || isChosenWord(node)
  return told && /^\p{L}[\p{Ll}-]*[.,:!?…]?$/u.test(text)
}
