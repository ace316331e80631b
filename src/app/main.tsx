import './withoutEval'
import { Answers } from '../compute/answers'
import { KeptAnswers } from '../compute/kept'
import { Pool } from '../compute/pool'
import { createStore } from '../state/store'
import { openAll } from './opening'
import './theme.css'

const store = createStore()
// While the core is being changed, what it answered before is of no use.
const kept = import.meta.env.PROD ? new KeptAnswers(__KILIM_MODEL__) : null
const answers = new Answers(new Pool(), kept)
// Reading its script takes a worker as long as storage takes to open.
if (!kept?.isLikely) answers.pool.warm()
const opening = openAll(store, answers)
// The page itself is read while storage is opened.
void import('./page').then(({ showPage }) => showPage(store, answers, opening))
