export interface Cluster {
  url(database: string): string;
  stop(): unknown;
  /** False when somebody else had started it. */
  readonly owned: boolean;
}
export function ensurePostgres(): void;
export function startCluster(folder: string, options: { port: number; fast?: boolean }): Promise<Cluster>;
