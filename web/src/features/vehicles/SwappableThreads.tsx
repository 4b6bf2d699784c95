/** Where a bolt of this vehicle starts in a foreign port and then tears it. */
import type { Circuit } from '@zephyrcombe/contract';
import { listOf, swapText } from '@zephyrcombe/messages';
import { swappableThreads } from '@zephyrcombe/core';
import { Label, Rows, Sheet, SheetTitle, Spread } from '../../design/layout.ts';
import { Notice } from '../../design/Notice.tsx';

interface SwappableThreadsProps {
  readonly circuits: readonly Circuit[];
}

export function SwappableThreads({ circuits }: SwappableThreadsProps) {
  const ports = circuits.flatMap((circuit) =>
    circuit.ports
      .filter((port) => port.gender === 'internal')
      .map((port) => ({ portId: port.id, name: port.name, thread: port.thread })),
  );
  const swaps = swappableThreads(ports);
  if (swaps.length === 0) return null;
  return (
    <Sheet>
      <SheetTitle>Threads that could be swapped by mistake</SheetTitle>
      <Notice severity="warn" title="More than one thread on this vehicle">
        <p>Lay bolts out by port as they come off. Turn every bolt in by hand first, all the way.</p>
      </Notice>
      <Rows style={{ marginTop: 10 }}>
        {swaps.map((swap) => (
          <div key={`${swap.boltThread} ${swap.portThread}`}>
            <Spread>
              <span>
                {swap.boltThread} bolt in a {swap.portThread} port
              </span>
              <Label>{swapText(swap)}</Label>
            </Spread>
            <Label style={{ display: 'block' }}>
              {listOf(swap.boltPorts, 'and')} against {listOf(swap.ports, 'and')}
            </Label>
          </div>
        ))}
      </Rows>
    </Sheet>
  );
}
