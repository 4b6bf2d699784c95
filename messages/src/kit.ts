/** What is said of each thing in the box. */
import type { KitReason } from '@zephyrcombe/core';
import type { Writer } from './writer.ts';

export function kitReasonText(reason: KitReason, write: Writer): string {
  switch (reason.is) {
    case 'asOrdered':
      return 'as ordered';
    case 'short':
      return `${write.length(reason.by_m)} too short: it would be pulled, and nobody makes it longer`;
    case 'long':
      return reason.holds
        ? `${write.length(reason.by_m)} longer than ordered; by the kept route it still holds: look where its loop goes`
        : `${write.length(reason.by_m)} longer than ordered, and nothing says that it holds`;
    case 'otherEnd':
      return 'another kind of end than ordered';
    case 'otherBend':
      return `bent ${write.angle(reason.found_rad)}, ordered ${write.angle(reason.wanted_rad)}`;
    case 'otherThread':
      return `${reason.found}, ordered ${reason.wanted}: never try it in the port`;
    case 'otherEye':
      return `an eye of ${write.fineLength(reason.found_m)} for a bolt of ${write.fineLength(reason.bolt_m)}`;
    case 'turnEnd':
      return `${write.angle(Math.abs(reason.by_rad))} off: end ${reason.end} may be turned, once, before there is pressure on it`;
    case 'cannotTurn':
      return `${write.angle(Math.abs(reason.by_rad))} off, and no end is known to turn`;
    case 'missing':
      return `${reason.count} too few: from the shelf, if they are the same and new`;
    case 'noMarking':
      return 'nothing is printed on it, and this vehicle goes on the road';
    case 'yearAlone':
      return `${reason.year} is a year and no date: look for the month, week or quarter beside it.`;
    case 'noDate':
      return 'no date: write down when it came, its age counts from there';
    case 'blocked':
      return 'not clear from end to end';
  }
}
