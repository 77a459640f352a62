import QRCode from 'qrcode'
import { useMemo } from 'react'

/** A QR code (ISO/IEC 18004) of a text, as dark squares on white with a quiet edge. */
export function QrCode({ text, size, label }: { text: string; size: number; label: string }) {
  const { path, side } = useMemo(() => {
    const { modules } = QRCode.create(text, { errorCorrectionLevel: 'M' })
    const squares: string[] = []
    for (let row = 0; row < modules.size; row++) {
      for (let col = 0; col < modules.size; col++)
        if (modules.get(row, col)) squares.push(`M${col + 2} ${row + 2}h1v1h-1z`)
    }
    return { path: squares.join(''), side: modules.size + 4 }
  }, [text])
  return (
    <svg
      role="img"
      aria-label={label}
      width={size}
      height={size}
      viewBox={`0 0 ${side} ${side}`}
      shapeRendering="crispEdges"
      className="max-w-full rounded-sm"
    >
      <rect width={side} height={side} fill="white" />
      <path d={path} fill="#14312F" />
    </svg>
  )
}
