/** Starts a MariaDB of our own in a folder, on loopback and a free port. */
export function startDatabase(
  folder: string,
  options?: { keep?: boolean },
): Promise<{ url: (name: string) => string; port: number; fresh: boolean; stop: () => Promise<void> }>;
