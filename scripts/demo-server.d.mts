export function startDemoServer(
  root: string,
  today: string,
): Promise<{ readonly address: string; stop(): Promise<void> }>;
