import {
  AliasNode,
  ColumnNode,
  IdentifierNode,
  InsertQueryNode,
  RawNode,
  ReferenceNode,
  SelectQueryNode,
  TableNode,
  UpdateQueryNode,
  DeleteQueryNode,
  type KyselyPlugin,
  type OperationNode,
  type PluginTransformQueryArgs,
  type PluginTransformResultArgs,
  type QueryResult,
  type RootOperationNode,
  type UnknownRow,
} from 'kysely'

/**
 * Tables whose rows belong to one venue. Not among them: the directory of venues, the sign-in library's own, the migrator's, and
 * those by which somebody is found who has not said of which venue they are: a membership by its sign-in, a key or an invitation by
 * the digest of its secret.
 */
export const SITE_TABLES: ReadonlySet<string> = new Set([
  'attendance',
  'command',
  'course',
  'drop_test',
  'enrolment',
  'help_call',
  'kit_given',
  'left_line',
  'machine',
  'machine_event',
  'machine_photograph',
  'machine_state',
  'person',
  'person_event',
  'person_need',
  'pin',
  'project',
  'seat_pair',
  'session',
  'session_plan',
  'stock_move',
  'trait',
])

const isNode = (value: unknown): value is OperationNode =>
  typeof value === 'object' && value !== null && typeof (value as OperationNode).kind === 'string'

function eachChild(node: OperationNode, visit: (child: OperationNode) => void): void {
  for (const key in node) {
    const value: unknown = node[key as keyof OperationNode]
    if (isNode(value)) visit(value)
    else if (Array.isArray(value)) for (const each of value as readonly unknown[]) if (isNode(each)) visit(each)
  }
}

const isQuery = (node: OperationNode): boolean =>
  SelectQueryNode.is(node) || UpdateQueryNode.is(node) || DeleteQueryNode.is(node) || InsertQueryNode.is(node)

/** SQL that is written by hand, with the tables put into it by name. */
function textOf(node: OperationNode): string {
  if (TableNode.is(node)) return node.table.identifier.name
  if (!RawNode.is(node)) return ' '
  return node.sqlFragments
    .map((part, index) => part + (node.parameters[index] ? textOf(node.parameters[index]) : ''))
    .join('')
}

/** A table named in SQL that is written by hand. */
const NAMED = /\b(?:from|join|update|into)\s+(\w+)/gi
/** A question of its own inside another: the venue it names is for its own tables. */
const READS = /\bselect\b/i

/**
 * The tables that a query itself names, by the name it has there, the `site_id`s that stand in it, and the tables of questions
 * written by hand inside it that say no venue; subqueries are their own.
 */
interface Names {
  readonly tables: Map<string, string>
  readonly held: Set<string>
  bare: boolean
  readonly loose: string[]
}
const noNames = (): Names => ({ tables: new Map(), held: new Set(), bare: false, loose: [] })

/** @returns the table that a query would reach into without saying of which venue; undefined when there is none */
export function beyondTheWall(root: OperationNode): string | undefined {
  let beyond: string | undefined
  // Every question of every page comes through here: one walk, and nothing made on the way but names.
  const walk = (node: OperationNode, names: Names): void => {
    if (isQuery(node)) {
      const own = noNames()
      eachChild(node, (child) => walk(child, own))
      beyond ??= InsertQueryNode.is(node) ? insertedBeyond(node) : namedBeyond(own)
      return
    }
    if (AliasNode.is(node) && TableNode.is(node.node) && IdentifierNode.is(node.alias)) {
      names.tables.set(node.alias.name, node.node.table.identifier.name)
      return
    }
    if (ReferenceNode.is(node)) {
      if (ColumnNode.is(node.column) && node.column.column.name === 'site_id') {
        if (node.table) names.held.add(node.table.table.identifier.name)
        else names.bare = true
      }
      return
    }
    if (TableNode.is(node)) {
      const { name } = node.table.identifier
      names.tables.set(name, name)
      return
    }
    // What is written by hand says it in its text, for the tables that it names itself.
    if (RawNode.is(node)) {
      const text = textOf(node)
      for (const [, table] of text.matchAll(/(\w+)\.site_id/g)) names.held.add(table!)
      if (READS.test(text)) {
        if (!/\bsite_id\b/.test(text)) names.loose.push(...[...text.matchAll(NAMED)].map(([, table]) => table!))
        const inside = noNames()
        eachChild(node, (child) => walk(child, inside))
        return
      }
      names.bare ||= /(?<!\.)\bsite_id\b/.test(text)
    }
    eachChild(node, (child) => walk(child, names))
  }
  walk(root, noNames())
  return beyond
}

function insertedBeyond({ into, columns = [] }: InsertQueryNode): string | undefined {
  const table = into?.table.identifier.name
  const held = columns.some(({ column }) => column.name === 'site_id')
  return table && SITE_TABLES.has(table) && !held ? table : undefined
}

function namedBeyond({ tables, held, bare, loose }: Names): string | undefined {
  const written = loose.find((table) => SITE_TABLES.has(table))
  if (written) return written
  // A column without its table can belong to one table only: the others have to be tied to it by their own.
  let free = bare ? 1 : 0
  for (const [name, table] of tables) {
    if (!SITE_TABLES.has(table) || held.has(name)) continue
    free -= 1
    if (free < 0) return table
  }
  return undefined
}

/** A statement written by hand names the venue wherever it names a table of one. */
function rawBeyond(node: RawNode): string | undefined {
  const text = textOf(node)
  if (/\bsite_id\b/.test(text)) return undefined
  return [...text.matchAll(NAMED)].map(([, table]) => table!).find((table) => SITE_TABLES.has(table))
}

/**
 * Refuses every query that reaches into a venue's table without saying of which venue: no page can show what is another's, and the
 * database can be spread by that column. What is done for all venues at once, at a start or in the night, says so with `ofEveryVenue`.
 */
export class SiteWall implements KyselyPlugin {
  transformQuery({ node }: PluginTransformQueryArgs): RootOperationNode {
    const table = RawNode.is(node) ? rawBeyond(node) : beyondTheWall(node)
    if (table) throw new Error(`A query reaches into ${table} without saying of which venue (site_id)`)
    return node
  }
  transformResult({ result }: PluginTransformResultArgs): Promise<QueryResult<UnknownRow>> {
    return Promise.resolve(result)
  }
}

/** The same database without the wall, for what is done for all venues at once. */
export const ofEveryVenue = <Bare>(store: { withoutPlugins(): Bare }): Bare => store.withoutPlugins()
