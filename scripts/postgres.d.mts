export interface Cluster {
  url(database: string): string;
  stop(): unknown;
  /** False when somebody else had started it. */
  readonly owned: boolean;
}
export function ensurePostgres(): void;
export interface ThrowawayCluster extends Cluster {
  /** Stops it and removes its data. */
  remove(): void;
}
export function startThrowawayCluster(options?: { fast: boolean }): Promise<ThrowawayCluster>;
export function startCluster(folder: string, options: { port: number; fast?: boolean }): Promise<Cluster>;
