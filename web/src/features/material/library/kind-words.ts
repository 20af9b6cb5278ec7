export const KIND_WORDS = {
  basic: { one: 'Basic', many: 'Basics' },
  pattern: { one: 'Pattern', many: 'Patterns' },
  turn: { one: 'Turn', many: 'Turns' },
  drill: { one: 'Drill', many: 'Drills' },
  quality: { one: 'Quality', many: 'Qualities' },
} as const;
