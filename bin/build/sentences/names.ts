import ts from 'typescript'
import { isClothByName, parsed } from './source'

const NAME = /^[a-z][a-z\d]*(-[a-z\d]+)*$/
/** A trait of a machine is named as the code names its parts: `footPressure`. */
const TRAIT_NAME = /^[a-z][A-Za-z\d]*(-[a-z\d]+)*$/

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
    if (ts.isCallExpression(node) && /^(named|spaced)$/.test(node.expression.getText()))
      found.push(...textsIn(node).filter((text) => NAME.test(text)))
    if (ts.isPropertyAssignment(node) && node.name.getText() === 'name' && isClothByName(file))
      found.push(...textsIn(node))
    if (ts.isPropertyAssignment(node) && isRowOfTable(node)) {
      const name = node.name.getText().replaceAll(/['"]/g, '')
      if ((file.startsWith('core/knowledge/machine/') ? TRAIT_NAME : NAME).test(name)) found.push(name)
    }
    ts.forEachChild(node, walk)
  }
  walk(parsed(file, source))
  return found
}
