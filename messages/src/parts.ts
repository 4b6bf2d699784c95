/** What parts are called, on the screen and on paper. */
import type { BillPart, LineBuild } from '@zephyrcombe/core';
import { ALONG_NAMES, FLARE_FORM_NAMES, LINE_MATERIAL_NAMES, MATERIAL_NAMES } from './names.ts';
import type { Writer } from './writer.ts';

const boltName = (eyes: number): string =>
  eyes === 1 ? 'Single banjo bolt' : eyes === 2 ? 'Double banjo bolt' : `Banjo bolt for ${eyes} eyes`;

export function partText(part: BillPart, write: Writer): string {
  switch (part.kind) {
    case 'hose':
      return `${part.name}, ${write.length(part.length_m)} between the sealing points`;
    case 'bolt':
      return `${boltName(part.eyes)} ${part.thread} × ${write.length(part.length_m)}, ${MATERIAL_NAMES[part.material]}${
        part.carries.length > 0
          ? `, ${part.carries
              .map((what) =>
                what === 'bleeder'
                  ? 'with bleed nipple'
                  : what === 'switch'
                    ? 'with stop-lamp switch'
                    : 'drilled for lock wire',
              )
              .join(', ')}`
          : ''
      }`;
    case 'washer':
      return `Crush washer ${write.fineLength(part.hole_m)} × ${write.fineLength(part.thickness_m)}, ${MATERIAL_NAMES[part.material]}`;
    case 'supportWasher':
      return 'Support washer for a bracket';
    case 'junction':
      return `Junction block with ${part.ports} ports ${part.thread}, with what holds it`;
    case 'along': {
      const name = ALONG_NAMES[part.what].replace(/^./, (first) => first.toUpperCase());
      if (part.what === 'clip')
        return `${name}${part.clip_m === null ? ', size to be chosen' : ` ${write.fineLength(part.clip_m)}`}${
          part.outside_m === null ? '' : `, with a grommet ${write.fineLength(part.outside_m)} over all`
        }`;
      return `${name} ${write.length(part.length_m)} long${
        part.outside_m === null ? '' : `, ${write.fineLength(part.outside_m)} over all`
      }`;
    }
  }
}

/** "copper-nickel, double flares". */
export function flaresText({ material, formA, formB }: LineBuild): string {
  const flares =
    formA === formB
      ? `${FLARE_FORM_NAMES[formA]}s`
      : `${FLARE_FORM_NAMES[formA]} and ${FLARE_FORM_NAMES[formB]}`;
  return `${LINE_MATERIAL_NAMES[material]}, ${flares}`;
}
