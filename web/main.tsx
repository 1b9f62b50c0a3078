import { sure } from '../core/sure'
import { QueryClientProvider } from '@tanstack/react-query'
import { lazy, StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { createBrowserRouter, Navigate, RouterProvider } from 'react-router'
import { Toaster } from 'sonner'
import { LinkProvider } from './app/live'
import { queryClient } from './app/queries'
import { Shell } from './app/shell'
import { Lost } from './app/page-not-there'
import './styles.css'

const DayScreen = lazy(() => import('./day/day-screen'))
const CaseScreen = lazy(() => import('./case/case-screen'))
const TrayScreen = lazy(() => import('./tray/tray-screen'))
const ChairsideScreen = lazy(() => import('./chairside/chairside-screen'))
const WallScreen = lazy(() => import('./chairside/wall-screen'))
const CloseScreen = lazy(() => import('./close/close-screen'))
const CupboardScreen = lazy(() => import('./cupboard/cupboard-screen'))
const InstrumentsScreen = lazy(() => import('./cupboard/instruments-screen'))
const OrderScreen = lazy(() => import('./cupboard/order-screen'))
const LibraryScreen = lazy(() => import('./library/library-screen'))
const DrillScreen = lazy(() => import('./drill/drill-screen'))
const LookBackScreen = lazy(() => import('./lookback/lookback-screen'))
const SettingsScreen = lazy(() => import('./settings/settings-screen'))

const router = createBrowserRouter([
  {
    path: '/',
    element: <Shell />,
    errorElement: <Lost />,
    children: [
      { index: true, element: <DayScreen /> },
      { path: 'days/:day', element: <DayScreen /> },
      { path: 'cupboard', element: <CupboardScreen /> },
      { path: 'cupboard/instruments', element: <InstrumentsScreen /> },
      { path: 'cupboard/order', element: <OrderScreen /> },
      { path: 'library', element: <LibraryScreen /> },
      { path: 'library/:kind', element: <LibraryScreen /> },
      { path: 'drill', element: <DrillScreen /> },
      { path: 'lookback', element: <LookBackScreen /> },
      { path: 'settings', element: <SettingsScreen /> },
      {
        path: 'visits/:visitId',
        children: [
          { index: true, element: <Navigate to="case" replace /> },
          { path: 'case', element: <CaseScreen /> },
          { path: 'tray', element: <TrayScreen /> },
          { path: 'chairside', element: <ChairsideScreen /> },
          { path: 'wall', element: <WallScreen /> },
          { path: 'close', element: <CloseScreen /> },
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
