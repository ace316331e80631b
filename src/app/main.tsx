import { createRoot } from 'react-dom/client'
import { Provider } from 'react-redux'
import { createBrowserRouter } from 'react-router'
import { RouterProvider } from 'react-router/dom'
import { createStore } from '../state/store'
import { keepForOffline } from './offline'
import { routes } from './routes'
import { Startup } from './Startup'
import './theme.css'

const store = createStore()
const router = createBrowserRouter(routes)

createRoot(document.getElementById('root')!).render(
  <Provider store={store}>
    <Startup store={store}>
      <RouterProvider router={router} />
    </Startup>
  </Provider>,
)

if (import.meta.env.PROD) keepForOffline()
