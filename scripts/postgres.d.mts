export interface Cluster {
  /** For the plain role that owns the data. */
  url(database: string): string;
  /** For the cluster's own superuser, which the product itself never is. */
  adminUrl(database: string): string;
  stop(): unknown;
  /** False when somebody else had started it. */
  readonly owned: boolean;
}
export function ensurePostgres(): void;
/** How PostgreSQL's own programs reach a database, without a secret among their arguments. */
export function connectionOf(url: string): { env: NodeJS.ProcessEnv; name: string };
/** The folder of the server programs of a version, or of the newest; undefined when there is none. */
export function findBinaries(version?: string): string | undefined;
export interface ThrowawayCluster extends Cluster {
  readonly folder: string;
  /** Stops it and removes its data. */
  remove(): void;
}
export function startThrowawayCluster(options?: { fast: boolean }): Promise<ThrowawayCluster>;
export function startCluster(folder: string, options: { port: number; fast?: boolean }): Promise<Cluster>;
