/** What kind of device a browser says it runs on; its brand and version say nothing to a shop. */
export function deviceName(userAgent: string): string {
  if (/Mobile|Android|iPhone/.test(userAgent)) return 'a phone';
  if (/iPad|Tablet/.test(userAgent)) return 'a tablet';
  return userAgent === '' ? 'a device that does not say what it is' : 'a computer';
}
