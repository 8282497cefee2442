/** The code that SQLite or the file system gives with a failure, through TypeORM or not; empty for any other failure. */
export function sqliteCode(problem: unknown): string {
  const { code, driverError } = (problem ?? {}) as {
    readonly code?: unknown;
    readonly driverError?: { readonly code?: unknown };
  };
  const found = driverError?.code ?? code;
  return typeof found === 'string' ? found : '';
}

/** Whether a code is a plain one or an extension of it: SQLITE_BUSY_SNAPSHOT is SQLITE_BUSY. */
export const isCode = (code: string, plain: string): boolean =>
  code === plain || code.startsWith(`${plain}_`);
