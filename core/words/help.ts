/** Screens that explain themselves. */
export type HelpId =
  | 'pours'
  | 'new'
  | 'site'
  | 'newPour'
  | 'people'
  | 'setout'
  | 'check'
  | 'plan'
  | 'pour'
  | 'cure'
  | 'workbench';

/** What each screen is for and how it is gone about, in six lines. */
export const HELP: Record<HelpId, { title: string; lines: readonly string[] }> = {
  pours: {
    title: 'All pours of a site',
    lines: [
      'Each pour is a lane on one strip of time: what is past and to come narrow, today wide.',
      'At the right of a lane stands what holds it, or how its strength grows.',
      'Press a lane to open the pour; the pencil changes its day, mix, runs or standing.',
      'The site’s mixes, plants, crew and prices stand on its own screen, at the foot.',
      'Sites in use stand in the rail; all others are found under All sites.',
      'Your name opens your PIN, the people, a phone to connect, and the change of hand.',
    ],
  },
  new: {
    title: 'A new site',
    lines: [
      'Say what it is called and where it is; units and rules stand as is usual there.',
      'Press the shape that is nearest and type its lengths as you read them off the tape.',
      'Say what the lengths are read to: the middle, the outside or the inside of the run.',
      'The first length already gives a figure; sides that close themselves are not asked.',
      'Sizes are usual ones until you change them; bars and cover come on Set out.',
      'Nothing is ordered here, and all of it can be changed later.',
    ],
  },
  site: {
    title: 'A site by itself',
    lines: [
      'Each line is a list: press it, then press what you want to change.',
      'What is marked usual nobody has said yet: keep it once and the mark goes.',
      'What a pour still uses cannot go; it is said which pour that is.',
      'Lists of another site are taken over thing by thing.',
      'A forecast is typed or pasted where there is no service: a few lines are enough.',
      'Archived, a site is read only; with nothing logged it can be removed for good.',
    ],
  },
  newPour: {
    title: 'A new pour',
    lines: [
      'Press what is poured together, or drag over it; one press takes a whole ring.',
      'Dashed runs are in another pour already.',
      'The figure is neat: waste and what stays in the pump come on Plan.',
      'Put it on a day of the strip; the forecast stands over each day.',
      'The first free code and a title are offered; both can be changed.',
      'Who has to agree before the pour is pressed at the foot.',
    ],
  },
  people: {
    title: 'People',
    lines: [
      'Everybody who may sign in here, in what role, and on how many devices.',
      'Press a name to give a new PIN, to lock somebody out or to let them in again.',
      'An inspector can be asked for one site or one hold point, until a day.',
      'Who has gone stays with what they entered.',
      'A role says what may be written; the list stands at the foot.',
      'Wrong PINs are counted and make the next try wait.',
    ],
  },
  setout: {
    title: 'Set out',
    lines: [
      'The drawing is the plan of this pour; pick a run and everything follows it.',
      'Here: the section that rules, its bars and what it takes.',
      'Schedule: sizes, bars and cover of every type, and the forms.',
      'Levels and Square: read the rod and the diagonals; the sums are done for you.',
      'Change the plan to draw, move or cut runs, put in openings and bolts; all can be undone.',
      'A drawing can be laid under the plan and drawn over.',
    ],
  },
  check: {
    title: 'Check',
    lines: [
      'The list is everything this pour has to be read for; Next takes you to the nearest.',
      'Type what the tape reads: the verdict stands before you take it.',
      'What is out says by how much, and what usually puts it right.',
      'Eye checks of a run are one list: press what is not good, then take the rest.',
      'The gate tells what still holds the pour, and how many minutes it needs.',
      'Hold points are signed with a PIN, on any tablet.',
    ],
  },
  plan: {
    title: 'Plan',
    lines: [
      'Much: what to order, and what a little more or less would cost.',
      'When: the hours that suit, by weather and daylight.',
      'How: what conveys it, where it stands, what it reaches.',
      'Way: the order round the walls, its lifts, and the seams it leaves.',
      'Who: hands for the day, and who does what.',
      'Odds are counted out of twenty mornings like this one.',
    ],
  },
  pour: {
    title: 'Pour',
    lines: [
      'L takes the next load, S a slump, P starts and stops placing, W the weather.',
      'Each seam has its clock: the most urgent stands first, with what saves it.',
      'The balance says what is in, on the road and still to order, and by when.',
      'Tasks come up at their time: bolts, plumb, braces, breaks.',
      'Trouble is two presses: what happened, and where.',
      'Without signal go on: what you enter is kept here and sent when there is some.',
    ],
  },
  cure: {
    title: 'Cure',
    lines: [
      'The curve is the strength reckoned from the temperatures that were read.',
      'The line on it is where forms may come off, never before the hours you set.',
      'Log what is covered, wetted and uncovered.',
      'Breaks of cylinders stand on the curve and rule over it.',
      'Strip when it says so, and say what came off.',
      'Close the pour when all is done: the report is then whole.',
    ],
  },
  workbench: {
    title: 'Work something out',
    lines: [
      'Every formula of the house, by what it is for.',
      'Fields stand in your units; type what you have.',
      'The drawing follows what you type.',
      'The working shows each step and where it comes from.',
      'Keep a result in the log of this pour where it has to be shown later.',
      'It replaces no engineer, manual or code.',
    ],
  },
};

/** The three questions of a station, and where each is answered on its screen. */
export const FIRST_VISIT: Partial<Record<HelpId, readonly [string, string, string]>> = {
  setout: [
    'What is wanted: the section and the schedule, at the right.',
    'Is it good: Levels and Square judge what you read.',
    'What next: the line at the foot, with its button.',
  ],
  check: [
    'What is wanted: the reading beside the pad, on the drawing and in words.',
    'Is it good: the verdict stands at once, and the gate sums it up.',
    'What next: the line at the foot takes you to the nearest reading.',
  ],
  plan: [
    'What is wanted: the order, its loads and the first hour.',
    'Is it good: seams against their windows, and odds out of twenty.',
    'What next: the line at the foot, up to calling the plant.',
  ],
  pour: [
    'What is wanted: loads, placing and tasks as they come due.',
    'Is it good: seam clocks and the balance, always on top.',
    'What next: the line at the foot; trouble has its own press.',
  ],
  cure: [
    'What is wanted: temperature, cover and breaks.',
    'Is it good: the curve against the line where forms may come off.',
    'What next: the line at the foot, up to closing the pour.',
  ],
};
