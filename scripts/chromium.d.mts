export function findChromium(): string | null;
export const CHROMIUM_FLAGS: string[];
export function ensureChromium(): string;
