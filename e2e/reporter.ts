import type { Reporter, TestCase, TestResult } from '@playwright/test/reporter'
import { existsSync, readFileSync } from 'node:fs'

/** Longest that is printed of one page, characters. */
const MOST = 6000

/** Prints what stood on the page where a test failed: a run on another machine leaves nothing but its print. */
export default class FailedPage implements Reporter {
  onTestEnd({ title }: TestCase, { attachments, status }: TestResult) {
    if (status === 'passed' || status === 'skipped') return
    for (const { name, path } of attachments)
      if (name === 'error-context' && path && existsSync(path))
        console.log(`\n── ${title}, the page\n${readFileSync(path, 'utf8').slice(0, MOST)}`)
  }
}
