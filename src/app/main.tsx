import './withoutEval'
import { createRoot } from 'react-dom/client'
import { Provider } from 'react-redux'
import { createBrowserRouter } from 'react-router'
import { RouterProvider } from 'react-router/dom'
import { Answers } from '../compute/answers'
import { AnswersProvider } from '../compute/AnswersProvider'
import { KeptAnswers } from '../compute/kept'
import { Pool } from '../compute/pool'
import { BASE } from '../data/api'
import { takeOpenedFiles, takeSharedFile } from '../state/openedFile'
import { createStore } from '../state/store'
import { keepForOffline } from './offline'
import { routes } from './routes'
import { Startup } from './Startup'
import './theme.css'

const store = createStore()
// While the core is being changed, what it answered before is of no use.
const kept = import.meta.env.PROD ? new KeptAnswers(__KILIM_MODEL__) : null
const answers = new Answers(new Pool(), kept)
const router = createBrowserRouter(routes, { basename: BASE })
const toGarden = () => void router.navigate('/garden')
takeOpenedFiles(toGarden)
void takeSharedFile(toGarden).catch(() => undefined)

createRoot(document.getElementById('root')!).render(
  <Provider store={store}>
    <AnswersProvider answers={answers}>
      <Startup store={store}>
        <RouterProvider router={router} />
      </Startup>
    </AnswersProvider>
  </Provider>,
)

if (import.meta.env.PROD) keepForOffline()
