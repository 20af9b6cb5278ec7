import type { StaffRole } from '@map-step/contract';

export const ROLE_WORDS: Readonly<Record<StaffRole, string>> = {
  director: 'Programme director',
  teacher: 'Teacher',
  assistant: 'Assistant',
  'stand-in': 'Stand-in',
};
