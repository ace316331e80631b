/** What the things on a page are, by the name that they carry in `data-help`. */
export const THINGS: Record<string, string> = {
  'plan-line':
    'The plan of this bed: what is sown when, how it ends, what is planted after. A filled mark is done, an open one planned. Every room computes from it.',
  'plan-chance':
    'The one chance of the whole plan: in how many of a hundred seasons all of it holds on the planting day. What fails first is named beside it.',
  loom: 'Beds are threads from top to bottom, weeks are rows. Bare warp is bare ground, patterns are covers, plain bands are crops; what lies ahead is paler and frays where its date is unsure.',
  jobs: 'What is worth doing today and this week, bed after bed. Sown, Ended, Planted and Cleared record it as it was planned; what differed is corrected in its room.',
  'take-along': 'Seed, tools and small things for all jobs of today together, so that one walk does.',
  'bed-picture':
    'The bed from the side, to scale, on a day you choose below it: the middle of two hundred seasons. The bracket is how tall it may be in 8 of 10.',
  stages:
    'When the plant reaches its stages: the middle date, and the dates between which it does in 8 of 10 years.',
  candidates:
    'Covers and mixes that fit, the best first. Each was grown through two hundred seasons of this garden’s weather, sowing to planting.',
  'total-grams':
    'What to weigh for this bed: the drilled rate, more for throwing by hand, for your seed and its germination.',
  endings:
    'Every way of ending this cover by the planting day, with its chance, its work and what it leaves. The strip shows the chance by the day it is begun.',
  gates:
    'What must hold before the crop goes in. Each opens on a date of its own; the plan’s chance counts the seasons in which all are open.',
  'up-yet': 'Day by day after sowing: what should be up, what is not due, and how to tell it from weeds.',
  change: 'What the last check changed: dates that moved, and how much narrower they are.',
  lots: 'Seed at hand, the oldest first. A sowing that is recorded takes its seed out of these.',
  'sowing-days': 'What the plan comes to if it is sown on another day near.',
  'tag-rate': 'What a tag states, on this bed, beside what the recipe weighs, and what makes the difference.',
  grade:
    'Your own plan judged as any other: how good its chance is, and the smallest change that would help most.',
  trust: 'How the model does against trials it has not seen, and where it is only judgement.',
  frosts: 'Chances of a last and a first frost here, from your observed years and the normals.',
  journal: 'Everything that was recorded in this bed, in order.',
}

/** A line for whoever opens a room for the first time. */
export const FIRST_USE: readonly { id: string; holds: RegExp; line: string }[] = [
  {
    id: 'loom',
    holds: /^\/$/,
    line: 'Each column is a bed, each row a week, today is the red line. Press bare warp to choose a cover for it.',
  },
  {
    id: 'rounds',
    holds: /^\/rounds/,
    line: 'One walk: do a job, press what you did, and it is recorded as it was planned. Correct it where it differed.',
  },
  {
    id: 'beds',
    holds: /^\/beds/,
    line: 'Every bed with what stands there and what is next. Open one to see it on any day.',
  },
  {
    id: 'bed',
    holds: /^\/bed\//,
    line: 'Drag the dark handle under the picture: the bed as it was and as it will be, with the planned work done.',
  },
  {
    id: 'choose',
    holds: /^\/choose\/./,
    line: 'Say what the cover is for; the list is grown through two hundred seasons here. Choosing one makes it the plan.',
  },
  {
    id: 'sow',
    holds: /^\/sow\/[^/]+$/,
    line: 'Weigh what stands here, throw it in passes, then record it. What you weighed otherwise goes into the record.',
  },
  {
    id: 'watch',
    holds: /^\/watch\/./,
    line: 'A look takes a minute and narrows every date and amount. Photo first, questions after.',
  },
  {
    id: 'end',
    holds: /^\/end\/./,
    line: 'Every way of ending it, the safe ones first. Drag the dates to see what follows.',
  },
  {
    id: 'plant',
    holds: /^\/plant\/./,
    line: 'Each gate opens on its own day; the crop can go in when all are open.',
  },
  {
    id: 'shed',
    holds: /^\/shed/,
    line: 'What you own decides what is possible: seed, tools, sheets, animals, feeds.',
  },
  {
    id: 'garden',
    holds: /^\/garden/,
    line: 'Place, beds, people and files. Make a backup file now and then, or a folder that keeps one.',
  },
]
