/** Builds the pages and the server, unless what is built is already of these sources. */
export function ensureBuilt(root: string): Promise<void>;
/** The server and its threads alone, in less than a second. */
export function buildServer(root: string): Promise<void>;
