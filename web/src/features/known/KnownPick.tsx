/** Says how some figures of a part are known. What the shop keeps of who said so is the server's to write. */
import { HOW_KNOWN_NAMES, ORIGIN_NAMES } from '@zephyrcombe/messages';
import type { Knowing, Known, Origin } from '@zephyrcombe/core';
import { HOW_KNOWN } from '@zephyrcombe/core';
import { Pick } from '../../design/Pick.tsx';

interface KnownPickProps {
  readonly label: string;
  readonly knowing: Knowing;
  readonly onKnown: (known: Known) => void;
}

/** What a person may say that an assumption rests on; others stand only as long as nobody says anything. */
const SAYABLE: readonly Origin[] = ['oldPart', 'makersData'];

export function KnownPick({ label, knowing, onKnown }: KnownPickProps) {
  if (knowing.how === 'unknown') return null;
  const origin = knowing.how === 'assumed' ? (knowing.origin ?? 'notSaid') : null;
  const origins = origin === null || SAYABLE.includes(origin) ? SAYABLE : [origin, ...SAYABLE];
  return (
    <Pick
      label={label}
      value={origin ?? knowing.how}
      options={[
        ...HOW_KNOWN.filter((how) => how !== 'assumed').map((how) => ({
          value: how as string,
          text: HOW_KNOWN_NAMES[how],
        })),
        ...origins.map((one) => ({ value: one as string, text: `assumed ${ORIGIN_NAMES[one]}` })),
      ]}
      onChange={(value) =>
        onKnown(
          value === 'seen' || value === 'measured'
            ? { how: value }
            : { how: 'assumed', origin: value as Origin },
        )
      }
    />
  );
}
