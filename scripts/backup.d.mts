export function backup(url: string, file: string): void;
export function restore(url: string, file: string): void;
