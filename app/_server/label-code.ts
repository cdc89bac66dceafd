import 'server-only'
import QRCode from 'qrcode'
import { codeOf, type CodeKind } from '@/core/code/code'
import { settings } from './settings'

export interface LabelCode {
  /** as it is typed: "B7K2QD1" */
  readonly code: string
  /** modules across */
  readonly size: number
  /** an SVG path of the dark modules, one unit each */
  readonly path: string
}

/** The code of a thing's label, and the picture that a camera reads as the address which opens it. */
export function labelCode(kind: CodeKind, id: string): LabelCode {
  const code = codeOf(kind, id)
  const { modules } = QRCode.create(`${settings.origins[0]}/open/${code}`, { errorCorrectionLevel: 'M' })
  const path: string[] = []
  for (let y = 0; y < modules.size; y += 1)
    for (let x = 0; x < modules.size; x += 1) if (modules.get(y, x)) path.push(`M${x} ${y}h1v1h-1z`)
  return { code, size: modules.size, path: path.join('') }
}
