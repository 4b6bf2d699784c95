/** Validation in plain words: what is wrong with a field and what it takes. */
import { z } from 'zod';

/** Installs the sentences for the whole process; calling it again changes nothing. */
export function speakPlainly(): void {
  z.config({
    customError: (issue) => {
      switch (issue.code) {
        case 'invalid_type':
          return issue.input === undefined ? 'is missing' : `takes a ${issue.expected}`;
        case 'too_small':
          return issue.origin === 'string'
            ? `needs ${String(issue.minimum)} characters or more`
            : `must be ${issue.inclusive === false ? 'more than' : 'at least'} ${String(issue.minimum)}`;
        case 'too_big':
          return issue.origin === 'string'
            ? `takes at most ${String(issue.maximum)} characters`
            : `must be at most ${String(issue.maximum)}`;
        case 'invalid_value':
          return `takes one of: ${issue.values.map(String).join(', ')}`;
        case 'unrecognized_keys':
          return `has unknown fields: ${issue.keys.join(', ')}`;
        default:
          return undefined;
      }
    },
  });
}
