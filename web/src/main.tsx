import '@fontsource-variable/archivo'
import '@fontsource-variable/newsreader'
import '@fontsource-variable/newsreader/wght-italic.css'
import './styles.css'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { App, ConfigProvider } from 'antd'
import { createRoot } from 'react-dom/client'
import { createBrowserRouter, RouterProvider } from 'react-router'
import { Bench } from './bench/Bench'
import { Frame } from './frame/Frame'
import { theme } from './theme'

const client = new QueryClient({ defaultOptions: { queries: { staleTime: 2000, retry: 1, refetchOnWindowFocus: true } } })

const router = createBrowserRouter([
  {
    element: <Frame />,
    HydrateFallback: () => null,
    children: [
      { path: '/', element: <Bench /> },
      { path: '/dockets/:id/:station?', lazy: async () => ({ Component: (await import('./docket/Docket')).Docket }) },
      { path: '/papers', lazy: async () => ({ Component: (await import('./papers/Papers')).Papers }) },
      { path: '/papers/makers', lazy: async () => ({ Component: (await import('./papers/Makers')).Makers }) },
      { path: '/papers/making/:id', lazy: async () => ({ Component: (await import('./papers/Making')).Making }) },
      { path: '/papers/:pairing', lazy: async () => ({ Component: (await import('./papers/PaperPage')).PaperPage }) },
      { path: '/tones', lazy: async () => ({ Component: (await import('./tone/ToneBench')).ToneBench }) },
      { path: '/tones/:number', lazy: async () => ({ Component: (await import('./tone/WedgePage')).WedgePage }) },
      { path: '/printers', lazy: async () => ({ Component: (await import('./printers/Printers')).Printers }) },
      { path: '/log', lazy: async () => ({ Component: (await import('./log/PrintLog')).PrintLog }) },
      { path: '/first-print', lazy: async () => ({ Component: (await import('./guide/FirstPrint')).FirstPrint }) },
      { path: '/settings', lazy: async () => ({ Component: (await import('./settings/Settings')).Settings }) },
      { path: '*', element: <p className="page">Nothing is kept here. The bench is where the work lies.</p> },
    ],
  },
])

const root = document.getElementById('root')
if (root) {
  createRoot(root).render(
    <QueryClientProvider client={client}>
      <ConfigProvider theme={theme} wave={{ disabled: true }}>
        <App notification={{ placement: 'topRight' }} style={{ height: '100%' }}>
          <RouterProvider router={router} />
        </App>
      </ConfigProvider>
    </QueryClientProvider>,
  )
}
