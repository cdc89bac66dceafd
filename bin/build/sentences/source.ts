import ts from 'typescript'

/** A file's code as a tree. */
export const parsed = (file: string, source: string): ts.SourceFile =>
  ts.createSourceFile(
    file,
    source,
    ts.ScriptTarget.Latest,
    true,
    file.endsWith('x') ? ts.ScriptKind.TSX : ts.ScriptKind.TS,
  )

/** A cloth is named the same in every sheet; how it is read is a name's own business. */
export const isClothByName = (file: string): boolean => file.endsWith('cloth/named-fabric.ts')
