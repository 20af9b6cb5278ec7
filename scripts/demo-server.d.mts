export function startDemoServer(
  root: string,
  today: string,
  more?: Readonly<Record<string, string>>,
): Promise<{ readonly address: string; stop(): Promise<void> }>;
