/** Loaded into the server's own process before it starts: tells how late its event loop came, and how much memory it has. */
import { monitorEventLoopDelay } from 'node:perf_hooks';

export interface LoopReading {
  readonly longest_ms: number;
  readonly p99_ms: number;
  readonly memory_MB: number;
}

/** How often the histogram looks: a delay is what goes beyond it. */
const RESOLUTION_ms = 10;
const histogram = monitorEventLoopDelay({ resolution: RESOLUTION_ms });
histogram.enable();

process.on('message', () => {
  const late_ms = (nanoseconds: number) => Math.max(0, nanoseconds / 1e6 - RESOLUTION_ms);
  const reading: LoopReading = {
    longest_ms: late_ms(histogram.max),
    p99_ms: late_ms(histogram.percentile(99)),
    memory_MB: process.memoryUsage.rss() / 1e6,
  };
  histogram.reset();
  process.send?.(reading);
});
