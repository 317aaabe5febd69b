import { useEffect, useState, type CSSProperties } from 'react'
import { keptPicture } from '../data/pictures'

/** A picture by its hash: from this browser while it has not gone out, else from the shop. */
export function Picture({ hash, alt, style }: { hash: string; alt: string; style?: CSSProperties }) {
  const [source, setSource] = useState<string | null>(null)
  useEffect(() => {
    let url: string | null = null
    let gone = false
    void keptPicture(hash).then((kept) => {
      if (gone) return
      if (kept) url = URL.createObjectURL(kept)
      setSource(url ?? `/api/photos/${hash}`)
    })
    return () => {
      gone = true
      if (url) URL.revokeObjectURL(url)
    }
  }, [hash])
  return source ? (
    <img
      src={source}
      alt={alt}
      loading="lazy"
      style={style}
      // What was kept here has gone out meanwhile, or the other way round.
      onError={() => source.startsWith('blob:') && setSource(`/api/photos/${hash}`)}
    />
  ) : (
    <span style={{ ...style, display: 'inline-block', background: 'var(--board)' }} />
  )
}
