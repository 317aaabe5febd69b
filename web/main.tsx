import '@fontsource/barlow/400.css'
import '@fontsource/barlow/500.css'
import '@fontsource/barlow/600.css'
import '@fontsource/barlow-semi-condensed/400.css'
import '@fontsource/barlow-semi-condensed/500.css'
import '@fontsource/barlow-semi-condensed/600.css'
import '@fontsource/jetbrains-mono/400.css'
import '@fontsource/jetbrains-mono/500.css'
import '@fontsource/jetbrains-mono/600.css'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { createBrowserRouter } from 'react-router'
import { RouterProvider } from 'react-router/dom'
import { watchClock } from './data/clock'
import { startLive } from './data/live'
import { watchIdle } from './data/person'
import { routes } from './routes'
import { OtherVersion } from './shell/OtherVersion'
import { applySheet } from './theme/sheet'
import { GlobalStyle } from './theme/global'
import { bindRouter, watchInputs } from './ui/moves'

applySheet()
watchInputs()
watchIdle()
const client = new QueryClient({ defaultOptions: { queries: { retry: 2, refetchOnWindowFocus: false } } })
startLive(client)
watchClock(() => void client.invalidateQueries({ queryKey: ['shop'] }))
const router = createBrowserRouter(routes)
bindRouter(router)

if (import.meta.env.PROD && 'serviceWorker' in navigator)
  void navigator.serviceWorker
    .register('/sw.js')
    .then(() => navigator.serviceWorker.ready)
    // Once the bench is quiet every station's code is fetched: the server may be away when it is opened.
    .then((ready) => whenIdle(() => ready.active?.postMessage('keep every part')))
    .catch(() => undefined)

/** Some seconds after the page, and when there is nothing else to do. */
function whenIdle(act: () => void): void {
  setTimeout(() => (globalThis.requestIdleCallback ?? setTimeout)(act), 4000)
}

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <QueryClientProvider client={client}>
      <GlobalStyle />
      <OtherVersion />
      <RouterProvider router={router} />
    </QueryClientProvider>
  </StrictMode>,
)
