/** Forms of an end of a hard line, and what a finished one looks like. */
export const FLARE_FORMS = ['doubleFlare', 'bubbleFlare', 'singleFlare', 'compression'] as const;
export type FlareForm = (typeof FLARE_FORMS)[number];

export const FLARE_LOOKS = ['asPattern', 'offCentre', 'cracked'] as const;
export type FlareLooks = (typeof FLARE_LOOKS)[number];
