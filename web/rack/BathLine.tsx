import { planBaths } from '@ekrond/core/plan/baths'
import { useEffect, useRef, useState } from 'react'
import { Link } from 'react-router'
import { useBaths } from '../data/baths'
import { stampNow } from '../data/clock'
import { useShop } from '../data/shop'

/** The rack needs only what is in the tank: any room does. */
const ANY_LITRES = 1000

/** What lies in the bath and until when; red, and with a short tone, once it is to come out. */
export function BathLine() {
  const { data } = useBaths()
  const zone = useShop().data?.zone ?? 'UTC'
  const [now, setNow] = useState(() => Date.parse(stampNow()))
  useEffect(() => {
    const ticking = setInterval(() => setNow(Date.parse(stampNow())), 5000)
    return () => clearInterval(ticking)
  }, [])
  const { inside } = planBaths(data?.items ?? [], ANY_LITRES, now)
  const done = inside !== null && now >= inside.endMs
  const rang = useRef(false)
  useEffect(() => {
    if (done && !rang.current) ring()
    rang.current = done
  }, [done])
  if (!inside) return null
  const clock = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit', timeZone: zone })
  const first = inside.items[0]!
  const jobs = [...new Set(inside.items.map(({ number }) => number))]
  return (
    <>
      <h2>In the bath</h2>
      <Link to={`/jobs/${first.number}/clean?view=bath`} className={done ? 'late' : ''}>
        <b>{clock.format(inside.endMs)}</b>
        <span>
          {done ? 'Take it out' : 'Then out'}
          <small>
            {jobs.join(', ')}: {inside.items.length} {inside.items.length === 1 ? 'part' : 'parts'}
          </small>
        </span>
      </Link>
    </>
  )
}

/** A short tone, where the browser lets a page sound one. */
function ring() {
  try {
    const audio = new AudioContext()
    const tone = audio.createOscillator()
    tone.frequency.value = 880
    tone.connect(audio.destination)
    tone.start()
    tone.stop(audio.currentTime + 0.4)
    tone.onended = () => void audio.close()
  } catch {
    // a page that nobody touched yet may not sound
  }
}
