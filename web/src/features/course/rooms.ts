export const ROOMS = [
  { id: 'material', word: 'Material' },
  { id: 'map', word: 'Map' },
  { id: 'lesson', word: 'Lesson' },
  { id: 'combine', word: 'Combine' },
  { id: 'recap', word: 'Recap' },
  { id: 'check', word: 'Check' },
] as const;
