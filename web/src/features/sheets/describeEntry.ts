/** One line of the log in words: what it was about and the figure that was written. */
import type { JobDetail, LogEntry, POSE_NAMES as PoseNames, Writer } from '@zephyrcombe/contract';
import { MAKE_UP_STEP_NAMES } from '@zephyrcombe/contract';

export function describeEntry(
  entry: LogEntry,
  detail: JobDetail,
  write: Writer,
  poses: typeof PoseNames,
): string {
  const { detail: data } = entry;
  const parts: string[] = [];
  const about = aboutOf(data, detail);
  if (about !== null) parts.push(about);
  if (typeof data.pose === 'string' && data.pose in poses)
    parts.push(poses[data.pose as keyof typeof poses].toLowerCase());
  if (typeof data.length_m === 'number') parts.push(write.length(data.length_m));
  if (typeof data.order_m === 'number') parts.push(write.length(data.order_m));
  if (typeof data.torque_Nm === 'number') parts.push(write.torque(data.torque_Nm));
  if (typeof data.step === 'string' && data.step in MAKE_UP_STEP_NAMES)
    parts.push(
      `${MAKE_UP_STEP_NAMES[data.step as keyof typeof MAKE_UP_STEP_NAMES].replace(/^./, (first) => first.toLowerCase())}${data.undo === true ? ', taken back' : ''}`,
    );
  if (typeof data.passed === 'boolean') parts.push(data.passed ? 'passed' : 'not passed');
  if (typeof data.verdict === 'string') parts.push(`found: ${data.verdict}`);
  if (isDecision(data.decided)) parts.push(`decided: ${data.decided.verdict}`);
  for (const number of [data.quote, data.order]) if (typeof number === 'string') parts.push(number);
  if (typeof data.put === 'number' && typeof data.out === 'number')
    parts.push(`${data.put} on, ${data.out} off`);
  if (typeof data.typed === 'string') parts.push(`typed “${data.typed}”`);
  if (typeof data.because === 'string') parts.push(data.because);
  if (typeof data.title === 'string') parts.push(data.title);
  if (typeof data.kind === 'string')
    parts.push(
      [data.kind === 'topUp' ? 'topped up' : data.kind, data.outflow]
        .filter((word) => typeof word === 'string')
        .join(' '),
    );
  if (Array.isArray(data.overrides)) {
    for (const override of data.overrides as readonly { caution?: unknown; reason?: unknown }[])
      parts.push(`went on past ${String(override.caution)}: ${String(override.reason)}`);
  }
  return parts.length > 0 ? `: ${parts.join(', ')}` : '';
}

const isDecision = (value: unknown): value is { readonly verdict: string } =>
  typeof value === 'object' && value !== null && 'verdict' in value && typeof value.verdict === 'string';

function aboutOf(data: Readonly<Record<string, unknown>>, { circuit }: JobDetail): string | null {
  const named = [...circuit.hoses, ...circuit.joints, ...circuit.components].find((part) =>
    [data.hoseId, data.jointId, data.nippleId].includes(part.id),
  );
  return named?.name ?? null;
}
