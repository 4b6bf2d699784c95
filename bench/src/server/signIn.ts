/** Everybody's on the demo data. */
const PASSPHRASE = 'lamp oil and oilskins';

/** A sign-in of its own; the cookie that carries it. */
export async function signIn(address: string): Promise<string> {
  const reply = await fetch(`${address}/api/session`, {
    method: 'POST',
    headers: { origin: address, 'content-type': 'application/json' },
    body: JSON.stringify({ name: 'Brannoc Hale', passphrase: PASSPHRASE }),
  });
  const cookie = reply.headers.getSetCookie()[0]?.split(';')[0];
  if (cookie === undefined) throw new Error(`Signing in: ${reply.status}`);
  return cookie;
}
