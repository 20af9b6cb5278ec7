export interface ServerProcess {
  readonly address: string;
  readonly pid: number;
  stop(signal: NodeJS.Signals): Promise<void>;
}
export function startServerProcess(
  root: string,
  databaseUrl: string,
  settings: Readonly<Record<string, string>>,
): Promise<ServerProcess>;
