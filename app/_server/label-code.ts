import 'server-only'
import QRCode from 'qrcode'
import { codeOf, type CodeKind } from '@/core/code/code'
import type { PrintedCode } from '@/ui/parts/printed-code'
import { settings } from './settings'

/**
 * The code of a thing's label, and the picture that a camera reads as the address which opens it.
 * @param face of a swatch of it, which stands at the end of the address
 */
export function labelCode(kind: CodeKind, id: string, face?: 'top' | 'under'): PrintedCode {
  const code = codeOf(kind, id)
  const { modules } = QRCode.create(`${settings.origins[0]}/open/${code}${face ? `/${face}` : ''}`, {
    errorCorrectionLevel: 'M',
  })
  const path: string[] = []
  for (let y = 0; y < modules.size; y += 1)
    for (let x = 0; x < modules.size; x += 1) if (modules.get(y, x)) path.push(`M${x} ${y}h1v1h-1z`)
  return { code, size: modules.size, path: path.join('') }
}
