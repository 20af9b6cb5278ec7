export const CHROMIUM: string;
export function ensureChromium(): void;
