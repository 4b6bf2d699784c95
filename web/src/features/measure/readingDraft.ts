/** A reading that is being typed, and the name under which it is sent. */
import type { Aid } from '@zephyrcombe/core';

export interface ReadingDraft {
  readonly text: string;
  readonly travel: string;
  readonly aid: Aid;
  readonly datum: number;
  /** Of the reading that was sent and not yet answered; empty when none is under way. */
  readonly id: string;
  /** What was typed for that one. */
  readonly sent: string;
}

export const EMPTY_READING: ReadingDraft = {
  text: '',
  travel: '0 mm',
  aid: 'tube',
  datum: 0,
  id: '',
  sent: '',
};

/**
 * The draft as it is sent. The same text sent again is the same reading, so that a lost reply does not make two of it;
 * another text is another reading, however slow the reply to the one before.
 */
export const asSent = (draft: ReadingDraft, typed: string, newId: () => string): ReadingDraft =>
  draft.id !== '' && draft.sent === typed ? draft : { ...draft, id: newId(), sent: typed };

/** After a reading was recorded: whoever is quick has typed the next one already, and only what was recorded is cleared. */
export const afterRecorded = (draft: ReadingDraft, typed: string | undefined): ReadingDraft => ({
  ...draft,
  ...(draft.sent === typed ? { id: '', sent: '' } : {}),
  text: draft.text.trim() === typed ? '' : draft.text,
});
