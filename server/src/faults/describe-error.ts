/**
 * What a log may hold of an error: where it came from, but neither the statement nor what stood in it. The message of
 * the database's own errors quotes what people wrote, so it stays out.
 */
export function describeError(error: unknown): Record<string, unknown> {
  if (!(error instanceof Error)) return { name: typeof error };
  const { code, constraint, table } = { ...error, ...driverError(error) } as Record<string, unknown>;
  const isOfDatabase = driverError(error) !== undefined || constraint !== undefined || 'severity' in error;
  return {
    name: error.name,
    ...(!isOfDatabase && { message: error.message }),
    code,
    constraint,
    table,
    at: error.stack
      ?.split('\n')
      .filter(line => /^\s+at /.test(line))
      .map(line => line.trim()),
  };
}

/** The driver's own error inside one of the library over it. */
export function driverError(error: Error): { code?: string; message?: string } | undefined {
  return 'parent' in error ? (error.parent as { code?: string; message?: string } | undefined) : undefined;
}
