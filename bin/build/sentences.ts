import ts from 'typescript'

/**
 * What people read stands in the code in English, where the thing is that it speaks of. Here it is found in a file's text, and
 * said in another language: the file is given back with the other sentences in their places, so that every constant, every
 * template and every element of a page is in that language before anything runs.
 */

/** Sentences by their English ones. Parts that are worked out stand in braces, `{count}`, and may come in any order. */
export type Translation = (english: string) => string | undefined

interface Place {
  readonly node: ts.Node
  readonly english: string
  /** the code with another sentence in it */
  readonly said: (sentence: string, code: (node: ts.Node) => string) => string
}

/** Attributes and properties whose text is for the machine. */
const UNREAD =
  /^(class(Name)?|d|id|key|for|htmlFor|href|src|rel|role|type|transform|viewBox|points|fill|stroke\w*|style|sizes|accept|media|pattern|autoComplete|inputMode|method|target|preserveAspectRatio|aria-(labelledby|describedby|controls|live|hidden|current|owns)|content-\w+|cache-control|www-authenticate|kind)$/
/** Properties and attributes in which also one small word is read by people. */
const READ = /^(words?|title|label|placeholder|hint|button|alt|aria-(label|description|valuetext)|one|many|means)$/
/** Calls whose texts are for the machine. */
const UNREAD_CALL =
  /(^|\.)(get|set|has|append|delete|query|startsWith|endsWith|includes|indexOf|split|select\w*|where\w*|orderBy|groupBy|on|onRef|(left|inner)Join\w*|addColumn|closest|querySelector\w*|matchMedia|createHash|createHmac|resolve|import|require|may|describe|update|digest|fetch|setAttribute|getAttribute|as|ref|selectFrom|updateTable|insertInto|deleteFrom|addEventListener|removeEventListener|dispatchEvent|RegExp|header|is|eb|\w*[sS]ql|ofShank|roundShank)$/

const LETTERS = /\p{L}{2}/u
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

const isCode = (text: string): boolean =>
  /^[A-Z]+( \d+)?$|^distinct |^(is not|not in)$/.test(text) ||
  looksLikeStyle(text) ||
  COLUMN.test(text) ||
  PATH_OF_DRAWING.test(text) ||
  SELECTOR.test(text)

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
    if (ts.isTemplateSpan(at)) return inTemplate(at.parent) !== undefined
    return ts.isJsxExpression(at) && !ts.isJsxAttribute(at.parent)
  }
  return false
}

function isRead(node: ts.Node, text: string): boolean {
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

const quoted = (text: string): string => JSON.stringify(text).replaceAll('\u2028', '\\u2028')

/** Names for the parts of a sentence that are worked out, told by what works them out, each but once. */
function namesOf(parts: readonly ts.Node[]): string[] {
  const seen = new Map<string, number>()
  return parts.map((part) => {
    const named = [...part.getText().matchAll(/[A-Za-z_]\w*/g)].map(([word]) => word)
    const name = ts.isJsxElement(part)
      ? part.openingElement.tagName.getText()
      : ts.isJsxSelfClosingElement(part)
        ? part.tagName.getText()
        : ts.isIdentifier(part) || ts.isPropertyAccessExpression(part)
          ? (named.at(-1) ?? 'part')
          : ts.isCallExpression(part)
            ? (named[0] ?? 'part')
            : 'part'
    const times = (seen.get(name) ?? 0) + 1
    seen.set(name, times)
    return times === 1 ? name : `${name}${times}`
  })
}

/** A sentence taken apart at its braces: text and the place of a part by turns. Braces that name no part are text. */
function pieces(sentence: string, names: readonly string[]): (string | number)[] {
  return sentence
    .split(/(\{\w+\})/)
    .map((piece) => {
      const at = piece.startsWith('{') ? names.indexOf(piece.slice(1, -1)) : -1
      return at >= 0 ? at : piece
    })
    .filter((piece) => piece !== '')
}

function inTemplate(node: ts.TemplateExpression): Place | undefined {
  const texts = [node.head.text, ...node.templateSpans.map(({ literal }) => literal.text)]
  const alone = texts.join('x')
  const name = nameOf(node)
  if (!texts.some((text) => LETTERS.test(text)) || isHandle(node) || (name !== undefined && UNREAD.test(name))) return
  // A key, an address or a file's name has no gap in it.
  if (!texts.some((text) => text.includes(' ')) || isCode(alone.trim()) || SURELY_STYLE.test(alone)) return
  const parts = node.templateSpans.map(({ expression }) => expression)
  const names = namesOf(parts)
  return {
    node,
    english: texts.map((text, index) => (index === 0 ? text : `{${names[index - 1]}}${text}`)).join(''),
    said: (sentence, code) =>
      `\`${pieces(sentence, names)
        .map((piece) =>
          typeof piece === 'number' ? `\${${code(parts[piece]!)}}` : piece.replaceAll(/[`\\]|\$\{/g, '\\$&'),
        )
        .join('')}\``,
  }
}

/** What stands between two elements of a page as the browser is given it: lines are joined, gaps at their ends go. */
const asDrawn = (text: string): string => {
  const lines = text.split('\n')
  return lines
    .map((line, index) => {
      const begun = index > 0 ? line.trimStart() : line
      return index < lines.length - 1 ? begun.trimEnd() : begun
    })
    .filter((line) => line !== '')
    .join(' ')
    .replaceAll('&nbsp;', '\u00a0')
    .replaceAll('&amp;', '&')
    .replaceAll('&lt;', '<')
    .replaceAll('&gt;', '>')
}

const gapOf = (child: ts.JsxChild): string | undefined =>
  ts.isJsxExpression(child) && child.expression && ts.isStringLiteral(child.expression)
    ? child.expression.text
    : undefined

/** All that stands in an element which has text of its own: one sentence, with the elements in it as parts. */
function inElement(node: ts.JsxElement | ts.JsxFragment): Place | undefined {
  const children = node.children.filter((child) => !ts.isJsxExpression(child) || child.expression)
  if (!children.some((child) => ts.isJsxText(child) && LETTERS.test(child.text))) return
  const textOf = (child: ts.JsxChild) => (ts.isJsxText(child) ? asDrawn(child.text) : gapOf(child))
  const parts = children.filter((child) => textOf(child) === undefined)
  const names = namesOf(parts.map((part) => (ts.isJsxExpression(part) ? part.expression! : part)))
  return {
    node,
    english: children.map((child) => textOf(child) ?? `{${names[parts.indexOf(child)]}}`).join(''),
    said: (sentence, code) =>
      pieces(sentence, names)
        .map((piece) => (typeof piece === 'number' ? code(parts[piece]!) : `{${quoted(piece)}}`))
        .join(''),
  }
}

/** A number with its word: both forms of it are one sentence, with a stroke between. */
function inCount(node: ts.CallExpression): Place | undefined {
  const [count, one, many] = node.arguments
  if (node.expression.getText() !== 'counted' || !one || !ts.isStringLiteral(one)) return
  const forms = [one.text, many && ts.isStringLiteral(many) ? many.text : `${one.text}s`]
  return {
    node,
    english: forms.join(' | '),
    said: (sentence, code) => `counted(${[code(count!), ...sentence.split(' | ').map(quoted)].join(', ')})`,
  }
}

function placeAt(node: ts.Node): Place | undefined {
  if (ts.isCallExpression(node)) return inCount(node)
  if (ts.isJsxElement(node) || ts.isJsxFragment(node)) return inElement(node)
  if (ts.isTemplateExpression(node)) return inTemplate(node)
  if (!ts.isStringLiteral(node) && !ts.isNoSubstitutionTemplateLiteral(node)) return
  if (isClothByName(node.getSourceFile().fileName)) return
  if (!isRead(node, node.text)) return
  const attribute = ts.isJsxAttribute(node.parent)
  return { node, english: node.text, said: (sentence) => (attribute ? `{${quoted(sentence)}}` : quoted(sentence)) }
}

const isUnreadWhole = (node: ts.Node): boolean =>
  ts.isImportDeclaration(node) ||
  ts.isExportDeclaration(node) ||
  ts.isTypeNode(node) ||
  ts.isTaggedTemplateExpression(node) ||
  (ts.isJsxAttribute(node) && UNREAD.test(node.name.getText()))

const parsed = (file: string, source: string): ts.SourceFile =>
  ts.createSourceFile(
    file,
    source,
    ts.ScriptTarget.Latest,
    true,
    file.endsWith('x') ? ts.ScriptKind.TSX : ts.ScriptKind.TS,
  )

/** The parts of a sentence that are worked out, with their braces. */
export const partsOf = (sentence: string): string[] => sentence.match(/\{\w+\}/g) ?? []

const NAME = /^[a-z][a-z\d]*(-[a-z\d]+)*$/

/** A cloth is named the same in every sheet; how it is read is a name's own business. */
const isClothByName = (file: string): boolean => file.endsWith('cloth/named-fabric.ts')

function textsIn(node: ts.Node): string[] {
  const found: string[] = []
  const walk = (each: ts.Node): void => {
    if (ts.isStringLiteral(each)) found.push(each.text)
    ts.forEachChild(each, walk)
  }
  walk(node)
  return found
}

/** One of the things that a module keeps by name: a needle point, a foot, a command. */
function isRowOfTable({ parent }: ts.PropertyAssignment): boolean {
  let holder: ts.Node = parent.parent
  while (ts.isAsExpression(holder) || ts.isSatisfiesExpression(holder) || ts.isCallExpression(holder))
    holder = holder.parent
  return ts.isVariableDeclaration(holder) && ts.isSourceFile(holder.parent.parent.parent)
}

/** @returns the code's own names in its fixed lists and tables, of which some are read as words */
export function namesIn(file: string, source: string): string[] {
  const found: string[] = []
  const walk = (node: ts.Node): void => {
    if (ts.isAsExpression(node) && ts.isArrayLiteralExpression(node.expression))
      for (const each of node.expression.elements)
        if (ts.isStringLiteral(each) && NAME.test(each.text)) found.push(each.text)
    if (ts.isTypeAliasDeclaration(node) && ts.isUnionTypeNode(node.type))
      found.push(...textsIn(node.type).filter((text) => NAME.test(text)))
    if (ts.isCallExpression(node) && /^(named|spaced)$/.test(node.expression.getText())) found.push(...textsIn(node))
    if (ts.isPropertyAssignment(node) && node.name.getText() === 'name' && isClothByName(file))
      found.push(...textsIn(node))
    if (ts.isPropertyAssignment(node) && isRowOfTable(node)) {
      const name = node.name.getText().replaceAll(/['"]/g, '')
      if (NAME.test(name)) found.push(name)
    }
    ts.forEachChild(node, walk)
  }
  walk(parsed(file, source))
  return found
}

/** @returns what people read of a file, in its order, in English */
export function sentencesIn(file: string, source: string): string[] {
  const found: string[] = []
  const walk = (node: ts.Node): void => {
    if (isUnreadWhole(node)) return
    const place = placeAt(node)
    if (place) found.push(place.english)
    ts.forEachChild(node, walk)
  }
  walk(parsed(file, source))
  return found
}

/** @returns the file's code with its sentences in another language; one that the other does not have stays English */
export function inLanguage(file: string, source: string, translation: Translation): string {
  const tree = parsed(file, source)
  /** The code of a node, with everything in it said in the other language. */
  const code = (node: ts.Node): string => {
    if (isUnreadWhole(node)) return node.getText()
    const place = placeAt(node)
    const sentence = place && translation(place.english)
    if (!place || sentence === undefined) return around(node)
    if (!ts.isJsxElement(node) && !ts.isJsxFragment(node)) return place.said(sentence, code)
    const [open, close] = ts.isJsxElement(node)
      ? [code(node.openingElement), node.closingElement.getText()]
      : [node.openingFragment.getText(), node.closingFragment.getText()]
    return open + place.said(sentence, code) + close
  }
  /** The code of a node as it stands, but for what is in its parts. */
  const around = (node: ts.Node): string => {
    let at = node.getStart()
    let written = ''
    ts.forEachChild(node, (child) => {
      // What stands between two elements has its gaps in its text.
      const from = ts.isJsxText(child) ? child.pos : child.getStart()
      if (from < at) return
      written += source.slice(at, from) + (ts.isJsxText(child) ? source.slice(child.pos, child.end) : code(child))
      at = child.end
    })
    return written + source.slice(at, node.end)
  }
  return source.slice(0, tree.getStart()) + around(tree) + source.slice(tree.end)
}
