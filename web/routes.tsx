import type { RouteObject } from 'react-router'
import { ErrorPage } from './shell/ErrorPage'

const page = (load: () => Promise<{ default: React.ComponentType }>) => async () => ({
  Component: (await load()).default,
})

/** Every screen by its address; each loads its own code. */
export const routes: RouteObject[] = [
  {
    path: '/',
    ErrorBoundary: ErrorPage,
    HydrateFallback: () => null,
    children: [
      { index: true, lazy: page(() => import('./rack/Rack')) },
      { path: 'receive', lazy: page(() => import('./stations/receive/NewJob')) },
      { path: 'jobs/:number/history', lazy: page(() => import('./rack/History')) },
      { path: 'jobs/:number/why', lazy: page(() => import('./why/WhyPage')) },
      { path: 'jobs/:number/engine', lazy: page(() => import('./why/EnginePage')) },
      { path: 'jobs/:number/:station?', lazy: page(() => import('./stations/JobPage')) },
      { path: 'shop/stores/:what?/:code?', lazy: page(() => import('./stores/StoresPage')) },
      { path: 'shop', lazy: page(() => import('./shop/ShopPage')) },
      { path: 'figures/jets', lazy: page(() => import('./figures/JetsPage')) },
      { path: 'figures/:name?', lazy: page(() => import('./figures/FigurePage')) },
      { path: 'instruments', lazy: page(() => import('./instruments/InstrumentsPage')) },
      { path: 'library', lazy: page(() => import('./library/Library')) },
      { path: 'library/import', lazy: page(() => import('./library/Import')) },
      { path: 'library/:listNumber/beside/:other', lazy: page(() => import('./library/Comparison')) },
      { path: 'library/:listNumber', lazy: page(() => import('./library/ListNumberPage')) },
      { path: '*', Component: ErrorPage },
    ],
  },
]
