/** Talks to an instrument on this machine: a JSON object a line each way, `docs/formats/instrument-lines.md`. */
import { connect } from 'node:net';
import { createInterface } from 'node:readline';

/** One that talks on without a line's end is not listened to. */
const MOST_bytes = 64 * 1024;

export interface LineClient {
  readonly say: (message: object) => void;
  readonly hangUp: () => void;
}

interface Hears {
  /** What the line says; null where it is no JSON. */
  readonly onLine: (said: unknown) => void;
  /** Once, whoever ended it. */
  readonly onEnd: () => void;
}

/** Connects, and goes on by itself: nothing is thrown, an end is told. */
export function connectLines(port: number, { onLine, onEnd }: Hears): LineClient {
  const socket = connect(port, '127.0.0.1');
  let sinceLine_bytes = 0;
  socket.on('data', (part: Buffer) => {
    sinceLine_bytes = part.includes(0x0a) ? part.length : sinceLine_bytes + part.length;
    if (sinceLine_bytes > MOST_bytes) socket.destroy();
  });
  socket.on('error', () => socket.destroy());
  socket.on('close', onEnd);
  createInterface({ input: socket })
    .on('line', (line) => onLine(parsed(line)))
    // The socket's own error is told by its end.
    .on('error', () => undefined);
  return {
    say: (message) => {
      if (socket.writable) socket.write(`${JSON.stringify(message)}\n`);
    },
    hangUp: () => socket.destroy(),
  };
}

function parsed(line: string): unknown {
  try {
    return JSON.parse(line);
  } catch {
    return null;
  }
}
