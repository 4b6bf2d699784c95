/** A reading that is being typed, and the name under which it is sent. */
import type { Aid } from '@zephyrcombe/core';

export interface ReadingDraft {
  readonly text: string;
  /** The wheel hangs free: no travel is left. */
  readonly hangsFree: boolean;
  readonly travel: string;
  readonly aid: Aid;
  /** Empty takes what is usual for the aid. */
  readonly uncertainty: string;
  /** Which of the hose's datums; null takes that of the last reading, and below nothing is not said yet. */
  readonly datum: number | null;
  readonly wire: WireDraft;
  /** Of the reading that was sent and not yet answered; empty when none is under way. */
  readonly id: string;
  /** What was typed for that one. */
  readonly sent: string;
}

/** How a wire was laid, as typed. */
export interface WireDraft {
  readonly turnsA: string;
  readonly turnsB: string;
  readonly thickness: string;
  /** Empty until somebody counted. */
  readonly bends: string;
  readonly radius: string;
}

export const EMPTY_READING: ReadingDraft = {
  text: '',
  hangsFree: false,
  travel: '',
  aid: 'tube',
  uncertainty: '',
  datum: null,
  wire: { turnsA: '0', turnsB: '0', thickness: '1.6 mm', bends: '', radius: '15 mm' },
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
