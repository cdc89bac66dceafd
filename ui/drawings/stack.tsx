import { counted } from '@/core/units/words'

/** The layers of the thickest crossing beside the needle that pierces them, both to one scale. */
export function StackDrawing({
  thicknessMm,
  layers,
  bladeMm,
  className,
}: {
  thicknessMm: number
  layers: number
  bladeMm: number
  className?: string
}) {
  const stack = thicknessMm * layers
  const scale = Math.min(24, 90 / Math.max(stack, 0.5))
  const layer = thicknessMm * scale
  const top = 50 - (stack * scale) / 2
  return (
    <svg
      viewBox="0 0 150 104"
      role="img"
      aria-label={`${counted(layers, 'layer')} make ${stack.toFixed(1)} mm under a ${bladeMm.toFixed(2)} mm blade`}
      className={className}
    >
      {Array.from({ length: layers }, (_, i) => (
        <path
          key={i}
          data-part="layer"
          d={`M6 ${top + i * layer} q30 -2 60 0 t60 0 v${layer} q-30 -2 -60 0 t-60 0 Z`}
          fill={i % 2 ? 'var(--color-base-200)' : 'var(--color-base-300)'}
          stroke="currentColor"
          strokeWidth="0.8"
        />
      ))}
      <rect
        x={66 - (bladeMm * scale) / 2}
        y="0"
        width={bladeMm * scale}
        height="100"
        fill="var(--color-base-100)"
        stroke="currentColor"
        strokeWidth="1.2"
      />
      <path d={`M132 ${top} h8 v${stack * scale} h-8`} fill="none" stroke="currentColor" strokeWidth="1" />
    </svg>
  )
}
