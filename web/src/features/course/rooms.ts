export const ROOMS = [
  { id: 'material', word: 'Material', key: 'm' },
  { id: 'map', word: 'Map', key: 'a' },
  { id: 'lesson', word: 'Lesson', key: 'l' },
  { id: 'recap', word: 'Recap', key: 'r' },
] as const;
