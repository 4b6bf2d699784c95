/** Room on the disk under the book. MariaDB ends itself when a page finds none: nothing is written before it comes to that. */
import { statfs } from 'node:fs/promises';

/** A photograph, and what the database writes of its own accord meanwhile. */
const RESERVE_bytes = 64 * 1024 * 1024;
/** Nobody fills the reserve in less. */
const KNOWN_FOR_ms = 500;

/** @param folder Where the database keeps its files, on this machine. */
export async function freeBytesOf(folder: string): Promise<number> {
  const { bavail, bsize } = await statfs(folder);
  return bavail * bsize;
}

/** Tells whether what is free has come down to the reserve; asked again after a moment, so that it goes on by itself. */
export function watchRoom(freeBytes: () => Promise<number>, clock: () => Date): () => Promise<boolean> {
  let known: { readonly at_ms: number; readonly isFull: Promise<boolean> } | null = null;
  return () => {
    const now_ms = clock().getTime();
    if (known === null || now_ms - known.at_ms >= KNOWN_FOR_ms || now_ms < known.at_ms)
      known = {
        at_ms: now_ms,
        // A folder that cannot be asked does not keep the shop from writing.
        isFull: freeBytes().then(
          (bytes) => bytes < RESERVE_bytes,
          () => false,
        ),
      };
    return known.isFull;
  };
}
