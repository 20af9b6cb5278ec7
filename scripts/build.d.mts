/** Builds the pages and the server, unless what is built is already of these sources. */
export function ensureBuilt(root: string): Promise<void>;
