/** Each view of the page, by its name and where it is. */
export const VIEWS = [
  ['Programme', '/'],
  ['Material', '/courses/hustle-1/material/wrap'],
  ['Compare', '/courses/hustle-1/material/left-turn/with/right-turn'],
  ['Level', '/courses/hustle-1/material/level'],
  ['Map', '/courses/hustle-1/map'],
  ['Settings', '/courses/hustle-1/settings'],
  ['Cost', '/courses/hustle-1/cost'],
  ['Lesson', '/courses/hustle-1/lesson?lesson=6'],
  ['Recap', '/courses/hustle-1/recap?lesson=2'],
  ['Check', '/courses/hustle-1/check'],
  ['Term', '/term'],
  ['People', '/people'],
  ['Account', '/account'],
] as const;

export const DIRECTORS_VIEWS = [
  ['Set up', '/setup'],
  ['A dance', '/dances/quickstep'],
  ['Levels', '/dances/quickstep?part=levels'],
  ['First figures', '/dances/quickstep?part=figures'],
  ['A new dance', '/dances/new'],
  ['A new course', '/courses/new'],
  ['A new class', '/classes/new'],
  ['A class', '/classes/hustle-1-monday'],
  ['Studio', '/studio'],
  ['Rooms', '/studio?part=rooms'],
  ['Holidays', '/studio?part=holidays'],
  ['Cautions', '/studio?part=cautions'],
  ['Minutes', '/studio?part=minutes'],
  ['Files', '/files'],
  ['Next term', '/next-term'],
] as const;
