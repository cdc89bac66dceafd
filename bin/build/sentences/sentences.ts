import ts from 'typescript'
import { isRead, isReadTemplate, LETTERS, textsOf, UNREAD } from './read'
import { isClothByName, parsed } from './source'

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
  if (!isReadTemplate(node)) return
  const texts = textsOf(node)
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

/** The parts of a sentence that are worked out, with their braces. */
export const partsOf = (sentence: string): string[] => sentence.match(/\{\w+\}/g) ?? []

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
