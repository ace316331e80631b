import { createRoot } from 'react-dom/client'
import { Provider } from 'react-redux'
import { createBrowserRouter } from 'react-router'
import { RouterProvider } from 'react-router/dom'
import type { Answers } from '../compute/answers'
import { AnswersProvider } from '../compute/AnswersProvider'
import { BASE } from '../data/api'
import { takeOpenedFiles, takeSharedFile } from '../state/openedFile'
import type { Store } from '../state/store'
import { keepForOffline } from './offline'
import type { Opened } from './opening'
import { routes } from './routes'
import { Startup } from './Startup'

/** Draws the page once storage is open; until then the page's first markup stands there. */
export async function showPage(store: Store, answers: Answers, opening: Promise<Opened>): Promise<void> {
  const router = createBrowserRouter(routes, { basename: BASE })
  const toGarden = () => void router.navigate('/garden')
  takeOpenedFiles(toGarden)
  void takeSharedFile(toGarden).catch(() => undefined)
  const opened = await opening
  createRoot(document.getElementById('root')!).render(
    <Provider store={store}>
      <AnswersProvider answers={answers}>
        <Startup opened={opened}>
          <RouterProvider router={router} />
        </Startup>
      </AnswersProvider>
    </Provider>,
  )
  if (import.meta.env.PROD) keepForOffline()
}
