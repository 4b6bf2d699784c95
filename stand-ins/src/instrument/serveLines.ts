/** One JSON message a line over TCP, on the loopback interface only: what every simulated instrument speaks. */
import type { AddressInfo, Socket } from 'node:net';
import { createServer } from 'node:net';
import { setTimeout } from 'node:timers/promises';
import { createInterface } from 'node:readline';

/** What an instrument does with one line it is sent: the lines it sends back, and whether it then hangs up. */
export interface Answer {
  readonly lines: readonly string[];
  readonly hangUp: boolean;
  /** Time between two of the lines; left out, all at once. */
  readonly pace_ms?: number;
}

export interface Instrument {
  /** Sent as soon as somebody connects. */
  readonly greeting: () => string;
  readonly answer: (line: string) => Answer;
}

export interface Served {
  readonly port: number;
  /** Ends every connection and resolves when the port is free again. */
  readonly stop: () => Promise<void>;
}

/** Serves an instrument on a loopback port; port 0 takes any free one. Rejects when the port is taken. */
export async function serveLines(instrument: Instrument, port = 0): Promise<Served> {
  const sockets = new Set<Socket>();
  const server = createServer((socket) => {
    sockets.add(socket);
    socket.on('close', () => sockets.delete(socket));
    // A partner that goes away in the middle of a word is everyday; the next one is served all the same.
    socket.on('error', () => socket.destroy());
    socket.write(`${instrument.greeting()}\n`);
    createInterface({ input: socket }).on('line', (line) => {
      const { lines, hangUp, pace_ms = 0 } = instrument.answer(line);
      void (async () => {
        for (const reply of lines) {
          if (pace_ms > 0) await setTimeout(pace_ms);
          if (!socket.writable) return;
          socket.write(`${reply}\n`);
        }
        if (hangUp) socket.end();
      })();
    });
  });
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, '127.0.0.1', () => resolve());
  });
  return {
    port: (server.address() as AddressInfo).port,
    stop: () =>
      new Promise<void>((resolve) => {
        server.close(() => resolve());
        for (const socket of sockets) socket.destroy();
      }),
  };
}
