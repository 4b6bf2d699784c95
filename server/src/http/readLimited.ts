/** The body of an answer from outside, up to a size: one that goes on for ever fills no memory. */
export async function readLimited(response: Response, most_bytes: number): Promise<string> {
  if (response.body === null) return '';
  const parts: Uint8Array[] = [];
  let size = 0;
  // Leaving the loop closes the connection.
  for await (const part of response.body as AsyncIterable<Uint8Array>) {
    size += part.byteLength;
    if (size > most_bytes) throw new Error(`The answer is longer than ${most_bytes} bytes`);
    parts.push(part);
  }
  return Buffer.concat(parts).toString('utf8');
}
