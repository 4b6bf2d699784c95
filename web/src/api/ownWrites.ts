/**
 * Versions this page itself moved on. Two quick ticks are both made on version 3; the second must be sent on the
 * version the first one produced, or it would be refused as stale against the same person's own change.
 */
export class OwnWrites {
  private readonly next = new Map<string, number>();

  /** This page wrote `row` on version `from` and it became `to`. */
  record(row: string, from: number, to: number): void {
    this.next.set(`${row}@${from}`, to);
  }

  /** The version to send for an edit that was made on `version`. Somebody else's write breaks the chain. */
  follow(row: string, version: number): number {
    let current = version;
    for (
      let next = this.next.get(`${row}@${current}`);
      next !== undefined && next > current;
      next = this.next.get(`${row}@${current}`)
    )
      current = next;
    return current;
  }
}
