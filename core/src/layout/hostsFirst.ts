interface Sitter {
  readonly id: string;
  /** The part that it sits on; left out or null where it sits on nothing. */
  readonly attachedTo?: string | null;
}

/**
 * A part before what sits on it, otherwise in the order given. `there` are hosts that are not in the list. Parts that in the
 * end sit on nothing are left out: their host is missing, or sits on them.
 */
export function hostsFirst<Part extends Sitter>(
  parts: readonly Part[],
  there: ReadonlySet<string> = new Set(),
): readonly Part[] {
  const sitters = new Map<string, Part[]>();
  const ordered: Part[] = [];
  for (const part of parts) {
    const host = part.attachedTo ?? null;
    if (host === null || there.has(host)) ordered.push(part);
    else if (sitters.has(host)) sitters.get(host)?.push(part);
    else sitters.set(host, [part]);
  }
  // Grows while it is walked; each part is on it once, for it has one host.
  for (const host of ordered) {
    ordered.push(...(sitters.get(host.id) ?? []));
    sitters.delete(host.id);
  }
  return ordered;
}
