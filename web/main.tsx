import { sure } from '../core/sure'
import { QueryClientProvider } from '@tanstack/react-query'
import { StrictMode, type ComponentType } from 'react'
import { createRoot } from 'react-dom/client'
import { createBrowserRouter, Navigate, RouterProvider, type RouteObject } from 'react-router'
import { Toaster } from 'sonner'
import { LinkProvider } from './app/live'
import { queryClient } from './app/queries'
import { Shell } from './app/shell'
import { Lost } from './app/page-not-there'
import { Loading } from './parts/ui'
import './styles.css'

/**
 * A screen's code comes when it is asked for: beside the session, before anything is drawn. (What React suspends for would
 * stay away 300 ms longer than it takes.)
 */
const screen = (
  load: () => Promise<{ default: ComponentType }>,
): Pick<RouteObject, 'lazy' | 'hydrateFallbackElement'> => ({
  lazy: async () => ({ Component: (await load()).default }),
  hydrateFallbackElement: <Loading what="Opening" />,
})

const router = createBrowserRouter([
  {
    path: '/',
    element: <Shell />,
    errorElement: <Lost />,
    children: [
      { index: true, ...screen(() => import('./day/day-screen')) },
      { path: 'days/:day', ...screen(() => import('./day/day-screen')) },
      { path: 'cupboard', ...screen(() => import('./cupboard/cupboard-screen')) },
      { path: 'cupboard/instruments', ...screen(() => import('./cupboard/instruments-screen')) },
      { path: 'cupboard/order', ...screen(() => import('./cupboard/order-screen')) },
      { path: 'library', ...screen(() => import('./library/library-screen')) },
      { path: 'library/:kind', ...screen(() => import('./library/library-screen')) },
      { path: 'drill', ...screen(() => import('./drill/drill-screen')) },
      { path: 'lookback', ...screen(() => import('./lookback/lookback-screen')) },
      { path: 'settings', ...screen(() => import('./settings/settings-screen')) },
      {
        path: 'visits/:visitId',
        children: [
          { index: true, element: <Navigate to="case" replace /> },
          { path: 'case', ...screen(() => import('./case/case-screen')) },
          { path: 'tray', ...screen(() => import('./tray/tray-screen')) },
          { path: 'chairside', ...screen(() => import('./chairside/chairside-screen')) },
          { path: 'wall', ...screen(() => import('./chairside/wall-screen')) },
          { path: 'close', ...screen(() => import('./close/close-screen')) },
        ],
      },
      { path: '*', element: <Lost /> },
    ],
  },
])

createRoot(sure(document.getElementById('root'))).render(
  <StrictMode>
    <QueryClientProvider client={queryClient}>
      <LinkProvider>
        <RouterProvider router={router} />
        <Toaster
          position="bottom-center"
          toastOptions={{
            className: '!text-lg !font-sans',
            classNames: { actionButton: '!h-12 !px-4 !text-lg !font-bold' },
          }}
        />
      </LinkProvider>
    </QueryClientProvider>
  </StrictMode>,
)
